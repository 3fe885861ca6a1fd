// Display only: where millimetres of the flat pattern fall on the screen.
import type { Dimension, Part } from '@/api/client'

export type P = { x: number; y: number }
type Loop = { x: number; y: number; bulge?: number }[]

export type View = { scale: number; at: (p: P) => P }

export function fit(
  bounds: Part['bounds'],
  width: number,
  height: number,
  pad: { left: number; right: number; top: number; bottom: number },
): View {
  const w = Math.max(bounds.max.x - bounds.min.x, 1)
  const h = Math.max(bounds.max.y - bounds.min.y, 1)
  const scale = Math.max(0.01, Math.min((width - pad.left - pad.right) / w, (height - pad.top - pad.bottom) / h))
  const ox = pad.left + (width - pad.left - pad.right - w * scale) / 2
  const oy = pad.top + (height - pad.top - pad.bottom - h * scale) / 2
  return { scale, at: (p) => ({ x: ox + (p.x - bounds.min.x) * scale, y: oy + (bounds.max.y - p.y) * scale }) }
}

const n = (v: number) => v.toFixed(2)

export function loopPath(loop: Loop, view: View): string {
  let d = ''
  loop.forEach((v, i) => {
    const p = view.at(v)
    const w = loop[(i + 1) % loop.length]!
    const q = view.at(w)
    if (i === 0) d += `M${n(p.x)} ${n(p.y)}`
    const b = v.bulge ?? 0
    if (b === 0) d += `L${n(q.x)} ${n(q.y)}`
    else {
      const r = (Math.hypot(q.x - p.x, q.y - p.y) * (1 + b * b)) / (4 * Math.abs(b))
      d += `A${n(r)} ${n(r)} 0 ${Math.abs(b) > 1 ? 1 : 0} ${b < 0 ? 1 : 0} ${n(q.x)} ${n(q.y)}`
    }
  })
  return d + 'Z'
}

export const points = (list: P[], view: View) =>
  list
    .map((p) => view.at(p))
    .map((p) => `${n(p.x)},${n(p.y)}`)
    .join(' ')

export const middle = (a: P, b: P): P => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })

/** The line of a dimension, with a tick at both its ends. */
export function dimensionLine(d: Dimension, view: View): string {
  const a = view.at(d.from!)
  const b = view.at(d.to!)
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1
  const tick = (p: P) => {
    const t = { x: (-(b.y - a.y) / long) * 7, y: ((b.x - a.x) / long) * 7 }
    return `M${p.x - t.x} ${p.y - t.y}L${p.x + t.x} ${p.y + t.y}`
  }
  return `M${a.x} ${a.y}L${b.x} ${b.y}${tick(a)}${tick(b)}`
}
