// The colours a job is drawn in, read off the theme once.
import type { Whole } from '@/api/client'

type Thing = Whole['things'][number]
export type Show = 'room' | 'hold' | 'make'
export type Paint = { fill: string; hatch: boolean; glass: boolean; word: string }

export const token = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** How a thing looks, and the word for it. */
export function paintOf(t: Thing, show: Show): Paint {
  if (t.kind === 'space')
    return { fill: t.hit ? '--stop' : '--zone', hatch: !!t.hit, glass: true, word: t.hit ? 'in the way' : (t.space ?? '') }
  const plain = { fill: '--steel', hatch: false, glass: false }
  if (show === 'room') return t.hit ? { fill: '--stop', hatch: true, glass: false, word: 'too close' } : { ...plain, word: '' }
  if (show === 'hold') {
    if (t.verdict === 'over') return { fill: '--stop', hatch: true, glass: false, word: 'over' }
    if (t.verdict === 'tight') return { fill: '--mind-wash', hatch: false, glass: false, word: 'tight' }
    if (t.verdict === 'cannot say') return { fill: '--mind-wash', hatch: true, glass: false, word: 'cannot say' }
    return { ...plain, word: t.verdict ?? 'not asked' }
  }
  if (t.progress === 'open') return { fill: '--mind-wash', hatch: true, glass: false, word: 'open' }
  if (t.progress === 'released') return { ...plain, word: 'may be made' }
  if (t.progress === 'fitted') return { fill: '--line-soft', hatch: false, glass: false, word: 'fitted' }
  return { ...plain, word: '' }
}

/** A colour as red, green and blue. */
export function rgb(color: string): [number, number, number] {
  const n = parseInt(color.replace('#', ''), 16)
  return [(n >> 16) & 255, (n >> 8) & 255, n & 255]
}

/** A colour in more or less light. */
export function lit([r, g, b]: [number, number, number], bright: number): string {
  const k = 0.52 + 0.48 * Math.min(bright, 1)
  return `rgb(${Math.round(r * k)} ${Math.round(g * k)} ${Math.round(b * k)})`
}
