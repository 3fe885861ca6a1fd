import type { Brief, Recipe } from '@/api/client'
import { newId } from '@/api/ids'

/** A plain plate to start from: every value is meant to be typed over. */
export function blankPart(unit: Brief['unit']): Recipe {
  const inches = unit !== 'mm'
  return {
    schema: 1,
    material: inches ? 'steel-a36' : 'steel-s235',
    thickness: inches ? 25.4 / 8 : 3,
    process: 'laser',
    tool: { kind: 'vdie' },
    bend: { school: 'table', method: 'air' },
    base: { id: newId(), length: inches ? 152.4 : 150, width: inches ? 101.6 : 100, measure: 'outside' },
  }
}

export const blankBrief = (name: string, unit: Brief['unit']): Brief => ({
  name,
  quantity: 1,
  unit,
  grain: unit === 'mm' ? 1 : unit === 'fraction' ? 25.4 / 16 : 0.254,
})

export const grains: Record<Brief['unit'], { value: number; text: string }[]> = {
  mm: [
    { value: 0.1, text: '0.1 mm' },
    { value: 0.5, text: '0.5 mm' },
    { value: 1, text: '1 mm' },
  ],
  fraction: [
    { value: 25.4 / 16, text: '1/16 in' },
    { value: 25.4 / 32, text: '1/32 in' },
    { value: 25.4 / 64, text: '1/64 in' },
  ],
  decimal: [
    { value: 0.0254, text: '.001 in' },
    { value: 0.254, text: '.010 in' },
    { value: 2.54, text: '.100 in' },
  ],
}
