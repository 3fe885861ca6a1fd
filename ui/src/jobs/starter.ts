import type { Brief, Recipe } from '@/api/client'
import { newId } from '@/api/ids'
import { grainsOf, shopOf } from '@/api/words'

/** A plain plate to start from: every value is meant to be typed over. */
export function blankPart(unit: Brief['unit']): Recipe {
  const { recipe } = shopOf(unit !== 'mm')
  return { ...recipe, base: { ...recipe.base, id: newId() } }
}

/** A job that says no more than its name and how it writes lengths. */
export const blankBrief = (name: string, unit: Brief['unit']): Brief => ({ name, quantity: 1, unit, grain: usualGrain(unit) })

export const usualGrain = (unit: Brief['unit']) => grainsOf(unit).find((g) => g.usual)!.value
