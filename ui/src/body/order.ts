// What hides what: flat pieces in a binary partition of space, so that from any side they are
// drawn from the back to the front, those that go through each other cut where they do.
export type V3 = readonly [number, number, number]
/** A flat convex piece; edge i runs from corner i to the next and is drawn where it is sharp. */
export type Piece = { of: number; at: V3[]; sharp: boolean[]; n: V3; d: number }
type Node = { on: Piece[]; n: V3; d: number; front?: Node; back?: Node }

const near = 0.05 // mm: nearer to a plane is on it
export const dot = (a: V3, b: V3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

const sides = (p: Piece, n: V3, d: number) => p.at.map((q) => dot(q, n) - d)

/** Cuts a piece by a plane into what lies before and behind it. */
function cut(p: Piece, s: number[]): [Piece, Piece] {
  const front: Piece = { ...p, at: [], sharp: [] }
  const back: Piece = { ...p, at: [], sharp: [] }
  const put = (to: Piece, q: V3, sharp: boolean) => {
    to.at.push(q)
    to.sharp.push(sharp)
  }
  p.at.forEach((q, i) => {
    const k = (i + 1) % p.at.length
    const [a, b] = [s[i]!, s[k]!]
    const r = p.at[k]!
    if (a >= -near) put(front, q, p.sharp[i]! && (a > near || b >= -near))
    if (a <= near) put(back, q, p.sharp[i]! && (a < -near || b <= near))
    if ((a > near && b < -near) || (a < -near && b > near)) {
      const t = a / (a - b)
      const m: V3 = [q[0] + (r[0] - q[0]) * t, q[1] + (r[1] - q[1]) * t, q[2] + (r[2] - q[2]) * t]
      // The edge goes on on the other side; along the cut there is none.
      put(front, m, a < 0 && p.sharp[i]!)
      put(back, m, a > 0 && p.sharp[i]!)
    }
  })
  return [front, back]
}

/** The piece of a few that cuts fewest of the others. */
function splitter(list: Piece[]): Piece {
  let best = list[0]!
  let least = Infinity
  const tries = Math.min(list.length, 6)
  const step = Math.max(1, Math.floor(list.length / 40)) // looked at in a sample
  for (let k = 0; k < tries; k++) {
    const c = list[Math.floor((k * list.length) / tries)]!
    let cuts = 0
    let lean = 0
    for (let i = 0; i < list.length; i += step) {
      const s = sides(list[i]!, c.n, c.d)
      const f = s.some((v) => v > near)
      const b = s.some((v) => v < -near)
      if (f && b) cuts++
      else if (f) lean++
      else if (b) lean--
    }
    const cost = 6 * cuts + Math.abs(lean)
    if (cost < least) {
      least = cost
      best = c
    }
  }
  return best
}

/** Puts pieces in an order that holds from any side. */
export function partition(list: Piece[]): Node | undefined {
  if (!list.length) return undefined
  const by = splitter(list)
  const node: Node = { on: [], n: by.n, d: by.d }
  const front: Piece[] = []
  const back: Piece[] = []
  for (const p of list) {
    const s = sides(p, by.n, by.d)
    const f = s.some((v) => v > near)
    const b = s.some((v) => v < -near)
    if (f && b) {
      const [x, y] = cut(p, s)
      if (x.at.length > 2) front.push(x)
      if (y.at.length > 2) back.push(y)
    } else if (f) front.push(p)
    else if (b) back.push(p)
    else node.on.push(p)
  }
  node.front = partition(front)
  node.back = partition(back)
  return node
}

/** Visits pieces from the farthest to the nearest, seen along a way from the eye. */
export function fromBehind(root: Node | undefined, way: V3, visit: (p: Piece) => void) {
  // By hand, not by calls: a tree of a round thing is deep.
  const stack: (Node | Piece[])[] = root ? [root] : []
  while (stack.length) {
    const n = stack.pop()!
    if (Array.isArray(n)) {
      n.forEach(visit)
      continue
    }
    const facing = dot(n.n, way) < 0 // its front is towards the eye
    const [first, last] = facing ? [n.back, n.front] : [n.front, n.back]
    if (last) stack.push(last)
    stack.push(n.on)
    if (first) stack.push(first)
  }
}
