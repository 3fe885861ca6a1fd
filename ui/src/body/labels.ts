// Names beside what they name, none over another: each is tried at a few places about its
// point, and left out where none is free; its point and the list still say it.
export type Wanted = { id: string; x: number; y: number; text: string; /** px about its point */ clear?: number; first?: boolean }
export type Label = Wanted & { lx: number; ly: number; anchor: 'start' | 'middle' | 'end'; short: string }

type Box = { x0: number; y0: number; x1: number; y1: number }
export type Line = { a: { x: number; y: number }; b: { x: number; y: number } }
const meets = (a: Box, b: Box) => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1
/** Whether a line runs through a box (Liang and Barsky). */
function crosses({ a, b }: Line, box: Box): boolean {
  let [from, to] = [0, 1]
  for (const [d, lo, hi] of [
    [b.x - a.x, box.x0 - a.x, box.x1 - a.x],
    [b.y - a.y, box.y0 - a.y, box.y1 - a.y],
  ] as const) {
    if (Math.abs(d) < 1e-9) {
      if (lo > 0 || hi < 0) return false
      continue
    }
    from = Math.max(from, Math.min(lo / d, hi / d))
    to = Math.min(to, Math.max(lo / d, hi / d))
  }
  return from < to
}

/** A long name cut short; the whole is said where it is pointed at. */
export const shortened = (text: string, most = 26) => (text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text)

/**
 * Places names in a picture so wide and high, px, in letters of a size; taken are boxes that
 * stay free, lines what no name lies over while there is another place for it.
 */
export function placed(list: Wanted[], wide: number, high: number, size: number, taken: Box[] = [], lines: Line[] = []): Label[] {
  const boxes = [...taken]
  const out: Label[] = []
  const order = [...list].sort((a, b) => Number(!!b.first) - Number(!!a.first))
  for (const w of order) {
    const short = shortened(w.text)
    const long = short.length * size * 0.56
    const tries: { label: Label; box: Box }[] = []
    for (const more of [0, 12, 26]) {
      const c = (w.clear ?? 8) + more
      for (const [dx, dy, anchor] of [
        [c, size * 0.35, 'start'],
        [-c, size * 0.35, 'end'],
        [0, -c, 'middle'],
        [0, c + size * 0.8, 'middle'],
        [c, -c, 'start'],
        [-c, -c, 'end'],
        [c, c + size * 0.8, 'start'],
        [-c, c + size * 0.8, 'end'],
      ] as [number, number, Label['anchor']][]) {
        const lx = w.x + dx
        const ly = w.y + dy
        const x0 = anchor === 'start' ? lx : anchor === 'end' ? lx - long : lx - long / 2
        const box = { x0: x0 - 2, y0: ly - size * 0.9, x1: x0 + long + 2, y1: ly + size * 0.25 }
        if (box.x0 < 2 || box.x1 > wide - 2 || box.y0 < 2 || box.y1 > high - 2 || boxes.some((b) => meets(b, box))) continue
        tries.push({ label: { ...w, lx, ly, anchor, short }, box })
      }
      if (!lines.length && tries.length) break
    }
    const free = tries.find((t) => !lines.some((l) => crosses(l, t.box))) ?? (lines.length && !w.first ? undefined : tries[0])
    if (!free) continue
    boxes.push(free.box)
    out.push(free.label)
  }
  return out
}

/** Numbers that follow each other as one: 1, 2, 3, 4 and 7 are 1–4, 7. */
export function joined(names: string[]) {
  const out: string[][] = []
  for (const n of names) {
    const last = out.at(-1)
    if (last && Number(n) === Number(last.at(-1)) + 1) last.push(n)
    else out.push([n])
  }
  return out.map((l) => (l.length > 2 ? `${l[0]}–${l.at(-1)}` : l.join(', '))).join(', ')
}

/** Names of what lies on each other in a picture, nearer than so many px, stand together. */
export function together(list: { x: number; y: number; text: string }[], near: number) {
  const out: { x: number; y: number; names: string[] }[] = []
  for (const n of list) {
    const at = out.find((l) => Math.hypot(l.x - n.x, l.y - n.y) < near)
    if (at) at.names.push(n.text)
    else out.push({ x: n.x, y: n.y, names: [n.text] })
  }
  return out.map((l) => ({ ...l, text: joined(l.names) }))
}
