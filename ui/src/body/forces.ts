// What goes through the joints in one case, as arrows of the picture.
import type { Whole } from '@/api/client'
import { dot, type V3 } from './order'
import { axesOf, type Eye } from './whole'

type Joint = Whole['joints'][number]
export type Arrow = {
  x: number
  y: number
  to: { x: number; y: number }
  /** N, of all its places together. */ long: number
  list: Joint[]
  drawn: boolean
}
const longest = 92 // px

/**
 * One arrow for each joint at each spot of the picture. Places of one joint that fall on one
 * spot are added; another joint there, on the way of the same load, is not.
 */
export function arrowsOf(joints: Joint[], at: number, eye: Eye, spot: (v: readonly number[]) => [number, number]): Arrow[] {
  const { right, up } = axesOf(eye)
  const spots = new Map<string, { x: number; y: number; f: V3; list: Joint[] }>()
  for (const j of joints) {
    const [x, y] = spot(j.at)
    const key = `${j.id} ${Math.round(x / 10)} ${Math.round(y / 10)}`
    const f = (j.forces[at] ?? [0, 0, 0]) as unknown as V3
    const had = spots.get(key)
    if (had) {
      had.list.push(j)
      had.f = [had.f[0] + f[0], had.f[1] + f[1], had.f[2] + f[2]]
    } else spots.set(key, { x, y, f, list: [j] })
  }
  const flat = [...spots.values()].map((s) => ({ ...s, fx: dot(s.f, right), fy: dot(s.f, up), long: Math.hypot(...s.f) }))
  const k = longest / Math.max(...flat.map((s) => s.long), 1)
  return flat.map((s) => ({
    x: s.x,
    y: s.y,
    to: { x: s.x + s.fx * k, y: s.y - s.fy * k },
    long: s.long,
    list: s.list,
    drawn: Math.hypot(s.fx, s.fy) * k > 7,
  }))
}
