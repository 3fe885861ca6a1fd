// New flanges, holes, notches and marks as the shop would start them: last used
// sizes, on the middle of what was tapped.
import type { Edge, EdgeCut, Flange, Hole, Mark, PanelMade, Use } from '@/api/client'
import { newId } from '@/api/ids'
import type { Style } from '@/kit/readLength'
import { remembered } from './lastUsed'

export type EdgeThing = 'up' | 'down' | 'hem' | 'jog' | 'roll' | 'notch' | 'tab'
export type HoleThing = 'round' | 'slot' | 'square' | 'rectangle' | 'd' | 'keyhole' | 'grid' | 'circle' | 'row' | 'edge' | 'pair'
export type MarkThing = Mark['kind']

type P = { x: number; y: number }
const apart = (a: P, b: P) => Math.hypot(b.x - a.x, b.y - a.y)
const named = (e: Edge) => e === 'front' || e === 'back' || e === 'left' || e === 'right'

/** Steps of the job: mm or its fraction of an inch. */
const snapper = (style: Style) => (v: number) => Math.max(style.grain, Math.round(v / style.grain) * style.grain)
const inches = (style: Style) => style.unit !== 'mm'

export function newFlange(kind: EdgeThing, edge: Edge, thickness: number, style: Style): Flange {
  const inch = inches(style)
  const last = remembered('flange', { length: inch ? 38.1 : 40, angle: 90, insideRadius: Math.ceil(thickness * 3) / 2 })
  const base = { id: newId(), edge, up: kind !== 'down' }
  switch (kind) {
    case 'hem':
      return { ...base, kind: 'hem', hem: 'open', gap: thickness, length: Math.ceil(6 * thickness), insideRadius: 0 }
    case 'jog':
      return { ...base, kind: 'jog', depth: 4 * thickness, measure: 'outside', ...last, angle: 45, relief: { kind: 'round' } }
    case 'roll':
      return { ...base, kind: 'roll', round: inch ? 203.2 : 200, angle: 180, length: last.length, insideRadius: 0 }
  }
  return { ...base, ...last, measure: 'outside', relief: { kind: 'round' } }
}

export function newEdgeCut(kind: 'notch' | 'tab', edge: Edge, long: number, thickness: number, style: Style): EdgeCut {
  const snap = snapper(style)
  const wide = snap(Math.min(long / 4, inches(style) ? 19.05 : 20))
  return {
    id: newId(),
    kind,
    edge,
    at: snap(long / 2),
    width: wide,
    depth: kind === 'tab' ? thickness : snap(wide / 2),
    ...(kind === 'notch' ? { shape: 'square' as const } : {}),
  }
}

/** Where a new hole lies: in the middle, counted from edges a rule is laid to. */
function place(panel: PanelMade, style: Style): Pick<Hole, 'x' | 'y'> & { w: number; h: number } {
  const snap = snapper(style)
  const xs = panel.flat.map((p) => p.x)
  const ys = panel.flat.map((p) => p.y)
  const w = Math.max(...xs) - Math.min(...xs)
  const h = Math.max(...ys) - Math.min(...ys)
  const four = panel.edges.length === 4 && panel.edges.every((e) => named(e.edge) && e.role !== 'round')
  if (!four) return { x: { edge: 'middle', distance: 0 }, y: { edge: 'middle', distance: 0 }, w, h }
  const root = panel.edges.find((e) => e.role === 'bend')?.edge
  const away: Record<string, string> = { front: 'back', back: 'front', left: 'right', right: 'left' }
  return {
    x: { edge: root === 'left' || root === 'right' ? away[root]! : 'left', distance: snap(w / 2) },
    y: { edge: root === 'front' || root === 'back' ? away[root]! : 'front', distance: snap(h / 2) },
    w,
    h,
  }
}

export function newHole(kind: HoleThing, panel: PanelMade, style: Style): Hole {
  const snap = snapper(style)
  const last = remembered('hole', { diameter: inches(style) ? (25.4 * 13) / 32 : 9 })
  const { x, y, w, h } = place(panel, style)
  const hole: Hole = { id: newId(), kind: 'round', diameter: last.diameter, x, y }
  switch (kind) {
    case 'slot':
      return { ...hole, kind, length: snap(last.diameter * 2.5) }
    case 'square':
      return { ...hole, kind, diameter: snap(20), radius: 0 }
    case 'rectangle':
      return { ...hole, kind, diameter: snap(20), length: snap(40), radius: 0 }
    case 'd':
      return { ...hole, kind, diameter: snap(16), flat: snap(13) }
    case 'keyhole':
      return { ...hole, kind, diameter: snap(14), narrow: snap(7), length: snap(30) }
    case 'grid':
      return {
        ...hole,
        x: x.edge === 'middle' ? { ...x, distance: -snap(w / 4) } : { ...x, distance: snap(w / 4) },
        pattern: { kind: 'grid', columns: 2, rows: 1, pitchX: snap(w / 2), pitchY: snap(h / 2) },
      }
    case 'circle':
      return { ...hole, pattern: { kind: 'circle', count: 4, diameter: snap(Math.min(w, h) / 2), start: 45 } }
    case 'row':
      return { ...hole, pattern: { kind: 'row', count: 3, pitchX: snap(w / 8), start: 0 } }
    case 'edge': {
      const edge = panel.edges.find((e) => e.role === 'free' || e.role === 'tip')?.edge ?? 'front'
      const across = edge === 'left' || edge === 'right'
      const from = { edge, distance: snap(inches(style) ? 19.05 : 20) }
      const pattern = { kind: 'edge' as const, edge, count: 3, margin: snap(inches(style) ? 25.4 : 25) }
      return across ? { ...hole, x: from, pattern } : { ...hole, y: from, pattern }
    }
    case 'pair':
      return {
        ...hole,
        x: x.edge === 'middle' ? { ...x, distance: -snap(w / 4) } : { ...x, distance: snap(w / 4) },
        pattern: { kind: 'mirror', across: true },
      }
  }
  return hole
}

/** A hole for what it is meant. */
export function newUse(use: Use['kind'], panel: PanelMade, style: Style): Hole {
  const { x, y, w, h } = place(panel, style)
  const thread = inches(style) ? '5/16' : 'M8'
  const hole: Hole = { id: newId(), kind: use === 'tab' ? 'rectangle' : 'round', x, y }
  const more: Partial<Record<Use['kind'], Partial<Use>>> = {
    tapped: { thread },
    weldnut: { thread, back: true },
    rivetnut: { thread },
    countersink: { thread },
    access: { tool: inches(style) ? 22.2 : 22 },
    pass: { line: inches(style) ? 12.7 : 12, cover: 'grommet' },
    tab: { width: 20 },
  }
  if (use === 'lightening') hole.diameter = snapper(style)(Math.min(w, h) / 2)
  return { ...hole, use: { kind: use, ...more[use] } }
}

export function newMark(kind: MarkThing, panel: PanelMade, style: Style): Mark {
  const { x, y, w } = place(panel, style)
  const mark: Mark = { id: newId(), kind, x, y }
  if (kind === 'text') return { ...mark, text: panel.name, height: 8 }
  if (kind === 'bead') return { ...mark, length: snapper(style)(w / 2), width: 12 }
  if (kind === 'noweld') return { ...mark, length: snapper(style)(w / 3), width: 20 }
  return mark
}

export const edgeLength = (panel: PanelMade, edge: Edge) => {
  const e = panel.edges.find((x) => x.edge === edge)
  return e ? apart(e.from, e.to) : 0
}
