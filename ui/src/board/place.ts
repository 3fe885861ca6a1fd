// Keeps labels off each other, off the holes and off what is drawn: each takes the first
// of its places that is free, or is left out and stays reachable from the list.
import type { Dimension, Part } from '@/api/client'
import type { P, View } from './geometry'

export type Rect = { x: number; y: number; w: number; h: number }
/** Bare words have nothing behind them: no line may run through them. */
type Wish = { key: string; places: Rect[]; must?: boolean; bare?: boolean }
type Stroke = [P, P]

const clear = 2
const meets = (a: Rect, b: Rect) =>
  a.x < b.x + b.w + clear && b.x < a.x + a.w + clear && a.y < b.y + b.h + clear && b.y < a.y + a.h + clear

/** Whether a line runs through a box. */
function runsThrough([a, b]: Stroke, r: Rect): boolean {
  let [from, to] = [0, 1]
  for (const [d, low, high] of [
    [b.x - a.x, r.x - a.x, r.x + r.w - a.x],
    [b.y - a.y, r.y - a.y, r.y + r.h - a.y],
  ] as const) {
    if (d === 0 && (low > 0 || high < 0)) return false
    if (d === 0) continue
    const [t, u] = d > 0 ? [low / d, high / d] : [high / d, low / d]
    ;[from, to] = [Math.max(from, t), Math.min(to, u)]
  }
  return from < to
}

/** An arc or line of an outline as chords on the screen. */
function chords(a: P, b: P, bulge: number, deep: number): Stroke[] {
  if (!bulge || !deep) return [[a, b]]
  const m = {
    x: (a.x + b.x) / 2 + ((b.y - a.y) / 2) * bulge,
    y: (a.y + b.y) / 2 - ((b.x - a.x) / 2) * bulge,
  }
  const half = (Math.sqrt(1 + bulge * bulge) - 1) / bulge
  return [...chords(a, m, half, deep - 1), ...chords(m, b, half, deep - 1)]
}

/** The lines that are drawn: outline, bends, and the sizes with their lines. */
function strokes(part: Part, view: View, dims: Dimension[]): Stroke[] {
  const outline = part.outline.flatMap((v, i) => chords(v, part.outline[(i + 1) % part.outline.length]!, v.bulge ?? 0, 3))
  const sizes = dims.filter((d) => d.from && d.to).map((d): Stroke => [d.from!, d.to!])
  return [...outline, ...[...part.bendLines, ...(part.round?.lines ?? [])].map((l): Stroke => [l.from, l.to]), ...sizes].map(
    ([a, b]) => [view.at(a), view.at(b)],
  )
}

/** Lines by the squares of the screen they pass, so that a box is held against few of them. */
function spread(lines: Stroke[]): (r: Rect) => boolean {
  const square = 40
  const at = new Map<string, Stroke[]>()
  const cells = (x0: number, y0: number, x1: number, y1: number) => {
    const out: string[] = []
    for (let x = Math.floor(x0 / square); x <= Math.floor(x1 / square); x++)
      for (let y = Math.floor(y0 / square); y <= Math.floor(y1 / square); y++) out.push(`${x} ${y}`)
    return out
  }
  for (const s of lines) {
    const [a, b] = s
    for (const c of cells(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y))) {
      const list = at.get(c)
      if (list) list.push(s)
      else at.set(c, [s])
    }
  }
  return (r) => cells(r.x, r.y, r.x + r.w, r.y + r.h).some((c) => at.get(c)?.some((s) => runsThrough(s, r)))
}

/** The place that lies over others least, of one that must stand somewhere. */
function leastOver(places: Rect[], taken: Rect[]): Rect | undefined {
  const over = (r: Rect) =>
    taken.reduce(
      (sum, t) =>
        sum +
        Math.max(0, Math.min(r.x + r.w, t.x + t.w) - Math.max(r.x, t.x)) *
          Math.max(0, Math.min(r.y + r.h, t.y + t.h) - Math.max(r.y, t.y)),
      0,
    )
  let best: Rect | undefined
  let least = Infinity
  for (const r of places) {
    const o = over(r)
    if (o < least) [best, least] = [r, o]
  }
  return best
}

export function placeAll(wishes: Wish[], taken: Rect[], board: Rect, drawn: Stroke[] = []): Map<string, Rect> {
  const out = new Map<string, Rect>()
  const crossed = spread(drawn)
  const inside = (r: Rect) => r.x >= board.x && r.y >= board.y && r.x + r.w <= board.x + board.w && r.y + r.h <= board.y + board.h
  for (const w of wishes) {
    const within = w.places.filter(inside)
    const spot =
      within.find((r) => !taken.some((t) => meets(r, t)) && !(w.bare && crossed(r))) ??
      (w.must ? leastOver(within.length ? within : w.places, taken) : undefined)
    if (!spot) continue
    taken.push(spot)
    out.set(w.key, spot)
  }
  return out
}

export const tagHeight = 26
export const tagWidth = (text: string) => text.length * 7.7 + 14
const textWidth = (text: string) => text.length * 6.9 + 6

function around(p: P, w: number, h: number): Rect {
  return { x: p.x - w / 2, y: p.y - h / 2, w, h }
}

function dimensionPlaces(d: Dimension, view: View): Rect[] {
  const a = view.at(d.from!)
  const b = view.at(d.to!)
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1
  const u = { x: (b.x - a.x) / long, y: (b.y - a.y) / long }
  const w = tagWidth(d.text)
  const across = Math.abs(u.y) > 0.5 ? w / 2 + 10 : tagHeight / 2 + 8
  const on = (t: number, side: number) =>
    around({ x: a.x + (b.x - a.x) * t + Math.abs(u.y) * side, y: a.y + (b.y - a.y) * t - Math.abs(u.x) * side }, w, tagHeight)
  if (d.path.startsWith('/base/')) {
    const along = [0.5, 0.42, 0.58, 0.34, 0.66, 0.26, 0.74, 0.16, 0.84]
    return [across, 1.5 * across, 2.2 * across].flatMap((side) => along.map((t) => on(t, side)))
  }
  const near = Math.max(0, 1 - 18 / long)
  const shifts = [0, w * 0.9, -w * 0.9, w * 1.8, -w * 1.8]
  return [near, 0.6, 1 + 18 / long].flatMap((t) => shifts.map((s) => on(t, s)))
}

/** Finds places for the chosen size, the main sizes, bend texts and hole sizes, in that order. */
export function placeLabels(
  part: Part,
  view: View,
  width: number,
  dims: Dimension[],
  chosen: Dimension | undefined,
  low: P,
): Map<string, Rect> {
  const taken: Rect[] = part.holes.map((h) => {
    const r = (Math.max(h.diameter, h.length ?? 0) / 2) * view.scale + 3
    return around(view.at(h.centre), 2 * r, 2 * r)
  })
  const wishes: Wish[] = []
  if (chosen?.from && chosen.to) {
    const w = tagWidth(chosen.text)
    const a = view.at(chosen.from)
    const b = view.at(chosen.to)
    const m = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }
    wishes.push({
      key: chosen.path,
      must: true,
      places: [
        ...dimensionPlaces(chosen, view),
        around({ x: m.x, y: m.y - 22 }, w, tagHeight),
        around({ x: m.x + w / 2 + 12, y: m.y }, w, tagHeight),
      ],
    })
  }
  for (const d of dims) wishes.push({ key: d.path, places: dimensionPlaces(d, view) })
  for (const l of part.bendLines) {
    const a = view.at(l.from)
    const b = view.at(l.to)
    const upright = Math.abs(b.y - a.y) > Math.abs(b.x - a.x)
    const w = textWidth(bendText(l))
    const size = upright ? { w: 16, h: w } : { w, h: 16 }
    if (Math.hypot(b.x - a.x, b.y - a.y) < w + 10) continue
    wishes.push({
      key: `bend ${l.id}`,
      bare: true,
      // At the middle stands the line's flag, on one side of it.
      places: [0.5, 0.28, 0.72].flatMap((t) =>
        (t === 0.5 ? [l.up ? 11 : -11] : [-11, 11, -26, 26]).map((off) =>
          around(
            { x: a.x + (b.x - a.x) * t + (upright ? off : 0), y: a.y + (b.y - a.y) * t + (upright ? 0 : off) },
            size.w,
            size.h,
          ),
        ),
      ),
    })
  }
  const seen = new Set<string>()
  for (const h of part.holes) {
    if (seen.has(h.feature)) continue
    seen.add(h.feature)
    const c = view.at(h.centre)
    const r = (h.diameter / 2) * view.scale + 8
    const w = textWidth(h.size)
    const at = (x: number, y: number) => ({ x, y, w, h: 16 })
    wishes.push({
      key: `hole ${h.feature}`,
      bare: true,
      places: [
        at(c.x + r, c.y - r - 10),
        at(c.x + r, c.y + r - 6),
        at(c.x - r - w, c.y - r - 10),
        at(c.x - w / 2, c.y + r + 4),
        at(c.x - w / 2, c.y - r - 20),
        at(c.x + r, c.y - 8),
        at(c.x - r - w, c.y - 8),
      ],
    })
  }
  // The strips below and at the left belong to the ordinates.
  const corner = view.at(low)
  return placeAll(
    wishes,
    taken,
    { x: corner.x - 10, y: 1, w: width - corner.x + 8, h: corner.y + 6 },
    strokes(part, view, chosen ? [...dims, chosen] : dims),
  )
}

export const bendText = (l: Part['bendLines'][number]) => `${l.up ? 'up' : 'down'} ${+l.angle.toFixed(1)}° R ${l.radius.text}`
