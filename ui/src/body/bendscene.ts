// A step of bending as flat shapes to draw: seen along the bend, or from where one stands.
import type { BendingStep, Bending } from '@/api/client'

type Scene = BendingStep['scene']
type Move = Scene['moves'][number]
type V = [number, number, number]
export type Shape = { points: [number, number][]; kind: 'tool' | 'good' | 'back' | 'zone' | 'edge'; deep: number }

/** Carries a point of one side of the sheet into the machine. */
function placed(side: number, m: Move, v: readonly number[]): V {
  const [oy, oz, turn] = (side ? m.back : m.front) as V
  const s = Math.sin((turn * Math.PI) / 180)
  const c = Math.cos((turn * Math.PI) / 180)
  const out = v[1]! * c - v[2]! * s
  return side ? [v[0]!, oy + out, oz + v[1]! * s + v[2]! * c] : [-v[0]!, oy - out, oz + v[1]! * s + v[2]! * c]
}

export type Eye = { right: V; up: V; near: V }

/** Along the bend, from the right end of the brake: the stop lies to the right. */
export const along: Eye = { right: [0, 1, 0], up: [0, 0, 1], near: [1, 0, 0] }

/** From in front of the brake, a little from the right and from above. */
export const standing: Eye = eye(20, 13)

function eye(yaw: number, pitch: number): Eye {
  const [sy, cy] = [Math.sin((yaw * Math.PI) / 180), Math.cos((yaw * Math.PI) / 180)]
  const [sp, cp] = [Math.sin((pitch * Math.PI) / 180), Math.cos((pitch * Math.PI) / 180)]
  return { right: [cy, sy, 0], up: [-sy * sp, cy * sp, cp], near: [sy * cp, -cy * cp, sp] }
}

const dot = (a: V, b: V) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const less = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const cross = (a: V, b: V): V => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]

/** The shapes of a step at one of its moves, the farthest first. */
export function shapes(b: Bending, step: BendingStep, at: number, thickness: number, from: Eye): Shape[] {
  const scene = step.scene
  const m = scene.moves[Math.min(at, scene.moves.length - 1)]!
  const out: Shape[] = []
  const flatten = (face: V[], kind: Shape['kind'], nearer = 0) => {
    let deep = 0
    const points = face.map((p): [number, number] => {
      deep += dot(p, from.near) / face.length
      return [dot(p, from.right), dot(p, from.up)]
    })
    out.push({ points, kind, deep: deep + nearer })
  }
  for (const t of scene.tools) {
    const ring = t.face.map((p): V => {
      if (t.with === 'leaf') return placed(0, m, [0, p.x, p.y])
      return [0, p.x, p.y + (t.with === 'punch' ? m.tip : 0)]
    })
    const end = (x: number) => ring.map((p): V => [x, p[1], p[2]])
    flatten(end(from === along ? t.from : t.to), 'tool')
    if (from === along) continue
    ring.forEach((p, i) => {
      const q = ring[(i + 1) % ring.length]!
      const face: V[] = [
        [t.from, p[1], p[2]],
        [t.to, p[1], p[2]],
        [t.to, q[1], q[2]],
        [t.from, q[1], q[2]],
      ]
      flatten(face, 'tool')
    })
  }
  const half = thickness / 2
  const moved = (face: V[], n: V, by: number) => face.map((p): V => [p[0] + n[0] * by, p[1] + n[1] * by, p[2] + n[2] * by])
  /** A piece of sheet by its middle and the way its good side looks. */
  const sheet = (mid: V[], n: V, kind?: Shape['kind']) => {
    if (from === along) {
      flatten(hull([...moved(mid, n, half), ...moved(mid, n, -half)], from), kind ?? 'good')
      return
    }
    const up = dot(n, from.near) > 0
    flatten(moved(mid, n, up ? half : -half), kind ?? (up ? 'good' : 'back'), 0.5)
  }
  for (const body of scene.bodies) {
    const at = (v: V) => placed(body.side, m, v)
    if (body.plate >= 0) {
      const [o, x, y] = body.at as unknown as [V, V, V]
      const on = (p: { x: number; y: number }): V => [
        o[0] + x[0] * p.x + y[0] * p.y,
        o[1] + x[1] * p.x + y[1] * p.y,
        o[2] + x[2] * p.x + y[2] * p.y,
      ]
      const face = b.plates[body.plate]!.face.map((p) => at(on(p)))
      sheet(face, less(at(cross(x, y)), at([0, 0, 0])))
      continue
    }
    const rows = (body.rows ?? []) as unknown as [V, V][]
    for (let i = 1; i < rows.length; i++) {
      const strip = [rows[i - 1]![0], rows[i - 1]![1], rows[i]![1], rows[i]![0]].map(at)
      sheet(strip, normal(strip), 'edge')
    }
  }
  for (const strip of zone(scene, m)) sheet(strip, normal(strip), 'zone')
  return out.sort((p, q) => (from === along ? rank(p) - rank(q) : p.deep - q.deep))
}

const rank = (s: Shape) => ({ tool: 0, good: 1, back: 1, edge: 1, zone: 2 })[s.kind]

function normal(f: V[]): V {
  const n = cross(less(f[1]!, f[0]!), less(f[2]!, f[0]!))
  const l = Math.hypot(...n) || 1
  return [n[0] / l, n[1] / l, n[2] / l]
}

/** Andrew's monotone chain round points as they are seen. */
function hull(face: V[], from: Eye): V[] {
  const pts = face.map((p) => ({ p, x: dot(p, from.right), y: dot(p, from.up) })).sort((a, b) => a.x - b.x || a.y - b.y)
  type P = (typeof pts)[number]
  const half = (list: P[]) => {
    const out: P[] = []
    for (const q of list) {
      while (out.length > 1) {
        const [a, b] = [out.at(-2)!, out.at(-1)!]
        if ((b.x - a.x) * (q.y - a.y) - (b.y - a.y) * (q.x - a.x) > 0) break
        out.pop()
      }
      out.push(q)
    }
    return out.slice(0, -1)
  }
  return [...half(pts), ...half(pts.reverse())].map((q) => q.p)
}

/** The bend being made, as strips along it. */
function zone(scene: Scene, m: Move): V[][] {
  const f = m.front as V
  const k = m.back as V
  const turn = (m.turn * Math.PI) / 180
  const line = (y: number, z: number): [V, V] => [
    [scene.from, y, z],
    [scene.to, y, z],
  ]
  const lines: [V, V][] = []
  if (turn < 0.02) lines.push(line(f[0], f[1]), line(k[0], k[1]))
  else {
    const r = Math.hypot(k[0] - f[0], k[1] - f[1]) / 2 / Math.sin(Math.min(turn, Math.PI - 0.001) / 2)
    const from = (f[2] * Math.PI) / 180
    const [cy, cz] = [f[0] + r * Math.sin(from), f[1] + r * Math.cos(from)]
    for (let i = 0; i <= 6; i++) {
      const a = -from + (turn * i) / 6
      lines.push(line(cy + r * Math.sin(a), cz - r * Math.cos(a)))
    }
  }
  return lines.slice(1).map((l, i) => [lines[i]![0], lines[i]![1], l[1], l[0]])
}
