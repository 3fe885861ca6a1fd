// A job as it stands, made ready to be drawn from any side: pieces with their sharp edges,
// projected, shaded and in their order.
import type { Whole } from '@/api/client'
import { dot, fromBehind, partition, type Piece, type V3 } from './order'

type Thing = Whole['things'][number]
export type State = 'stowed' | 'inUse' | 'travelling'
/** What is drawn of one thing: faces with how bright they are, and lines. */
export type Face = { thing: number; at: [number, number][]; bright: number; lines: [number, number][][] }
export type Eye = { yaw: number; pitch: number }

const crease = Math.cos((28 * Math.PI) / 180)
const sub = (a: V3, b: V3): V3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const cross = (a: V3, b: V3): V3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]]

/** The shape a thing has in a state; none where it is not there then. */
export const shapeIn = (t: Thing, state: State) =>
  t.shapes.find((s) => !s.states?.length || (s.states as State[]).includes(state))

/** The pieces of all things in a state, in a tree of what hides what. */
export function ready(things: Thing[], state: State) {
  const pieces: Piece[] = []
  things.forEach((t, of) => {
    const shape = shapeIn(t, state)
    if (!shape) return
    const corners = shape.corners as unknown as V3[]
    const normals: V3[] = []
    const across = new Map<string, number[]>() // triangles at an edge
    const key = (a: number, b: number) => (a < b ? `${a} ${b}` : `${b} ${a}`)
    shape.triangles.forEach((tri, i) => {
      const [a, b, c] = tri.map((k) => corners[k]!) as [V3, V3, V3]
      const n = cross(sub(b, a), sub(c, a))
      const long = Math.hypot(...n) || 1
      normals.push([n[0] / long, n[1] / long, n[2] / long])
      for (let k = 0; k < 3; k++) {
        const at = key(tri[k]!, tri[(k + 1) % 3]!)
        const had = across.get(at)
        if (had) had.push(i)
        else across.set(at, [i])
      }
    })
    shape.triangles.forEach((tri, i) => {
      const n = normals[i]!
      const at = tri.map((k) => corners[k]!)
      const sharp = tri.map((a, k) => {
        const others = across.get(key(a, tri[(k + 1) % 3]!))!.filter((x) => x !== i)
        return !others.length || others.some((x) => dot(normals[x]!, n) < crease)
      })
      pieces.push({ of, at, sharp, n, d: dot(n, at[0]!) })
    })
  })
  return partition(pieces)
}

/** Where the eye has right, up and its own way. Vehicle axes: forward, left, up. */
export function axesOf({ yaw, pitch }: Eye) {
  const [cy, sy, cp, sp] = [Math.cos(yaw), Math.sin(yaw), Math.cos(pitch), Math.sin(pitch)]
  const way: V3 = [-cy * cp, -sy * cp, -sp] // from the eye into the picture
  const right: V3 = [-sy, cy, 0]
  const up: V3 = [-cy * sp, -sy * sp, cp]
  return { way, right, up }
}

export type Tree = ReturnType<typeof ready>

/** What is seen from the eye, from the back to the front, in mm right and up. */
export function seen(tree: Tree, eye: Eye, glassy: (thing: number) => boolean): Face[] {
  const { way, right, up } = axesOf(eye)
  const out: Face[] = []
  const flat = (p: V3): [number, number] => [dot(p, right), dot(p, up)]
  const light: V3 = [
    0.35 * right[0] + 0.55 * up[0] - 0.75 * way[0],
    0.35 * right[1] + 0.55 * up[1] - 0.75 * way[1],
    0.35 * right[2] + 0.55 * up[2] - 0.75 * way[2],
  ]
  fromBehind(tree, way, (p) => {
    const away = dot(p.n, way) > 0
    if (away && !glassy(p.of)) return // the far side of something solid
    const at = p.at.map(flat)
    const lines: [number, number][][] = []
    p.sharp.forEach((s, i) => s && lines.push([at[i]!, at[(i + 1) % at.length]!]))
    out.push({ thing: p.of, at, bright: Math.max(0, dot(p.n, light)), lines })
  })
  return out
}

/** The box about all things in the picture, mm. */
export function boundsOf(things: Thing[], state: State, eye: Eye) {
  const { right, up } = axesOf(eye)
  let [x0, x1, y0, y1] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const t of things)
    for (const c of shapeIn(t, state)?.corners ?? []) {
      const p = c as unknown as V3
      const [x, y] = [dot(p, right), dot(p, up)]
      ;[x0, x1, y0, y1] = [Math.min(x0, x), Math.max(x1, x), Math.min(y0, y), Math.max(y1, y)]
    }
  return x0 > x1 ? undefined : { x0, x1, y0, y1 }
}

/** Whether a place lies within a face of the picture. */
export function within(f: Face, x: number, y: number) {
  let inside = false
  for (let i = 0, k = f.at.length - 1; i < f.at.length; k = i++) {
    const [a, b] = [f.at[i]!, f.at[k]!]
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside
  }
  return inside
}
