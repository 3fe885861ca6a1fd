// What holds the frame and what it carries, as lines in the drawing.
import type { FrameTold } from '@/api/client'

type V = readonly number[]

export function marks(worked: FrameTold | undefined) {
  const loads: V[][] = []
  const supports: V[][] = []
  if (!worked) return { loads, supports }
  const at = new Map(worked.joints.filter((j) => !j.why).map((j) => [j.id, j.at as unknown as V]))
  const all = [...at.values()]
  const size = Math.max(1, ...[0, 1, 2].map((k) => Math.max(...all.map((p) => p[k]!)) - Math.min(...all.map((p) => p[k]!))))
  const l = size * 0.09
  const arrow = (p: V, d: V) => {
    const n = Math.hypot(d[0]!, d[1]!, d[2]!) || 1
    const tail = p.map((v, k) => v - (d[k]! / n) * l)
    const side = Math.abs(d[2]! / n) > 0.7 ? [1, 0, 0] : [0, 0, 1]
    const wing = (s: number) => p.map((v, k) => v - (d[k]! / n) * l * 0.3 + s * side[k]! * l * 0.15)
    loads.push([tail, p], [wing(1), p, wing(-1)])
  }
  for (const a of worked.hold.acts) arrow(a.at, a.way)
  for (const s of worked.hold.stands) {
    const p = at.get(s.point)
    if (p) {
      const k = l * 0.5
      const foot = (x: number, y: number): V => [p[0]! + x * k, p[1]! + y * k, p[2]! - k]
      supports.push([p, foot(1, 0), foot(-1, 0), p, foot(0, 1), foot(0, -1), p])
      if (s.kind === 'fixed') supports.push([foot(1, 1), foot(-1, 1), foot(-1, -1), foot(1, -1), foot(1, 1)])
    }
  }
  return { loads, supports }
}
