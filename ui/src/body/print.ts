// The picture as an SVG that stands by itself, black on white, for paper.
import type { Paint } from './ink'
import type { Label } from './labels'
import type { Face } from './whole'

type Joint = { x: number; y: number; to: { x: number; y: number }; drawn: boolean }
type Drawn = {
  size: { w: number; h: number }
  faces: Face[]
  paints: Paint[]
  labels: Label[]
  joints: Joint[]
  points: [number, number][]
}

const n = (v: number) => v.toFixed(1)
const written = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`)
const path = (at: [number, number][]) => at.map(([x, y], i) => `${i ? 'L' : 'M'}${n(x)} ${n(y)}`).join('')
/** On paper what is marked is told by its hatch: colour may not be printed. */
const grey = (bright: number, p: Paint) => {
  const v = Math.round(255 * (p.fill === '--steel' ? 0.72 + 0.24 * bright : 0.55 + 0.3 * bright))
  return `rgb(${v},${v},${v})`
}

export function drawing({ size: { w, h }, faces, paints, labels, joints, points }: Drawn): string {
  const out: string[] = []
  for (const f of faces) {
    const p = paints[f.thing]!
    const d = path(f.at) + 'Z'
    if (p.glass) out.push(`<path d="${d}" fill="#888" fill-opacity=".08"/>`)
    else out.push(`<path d="${d}" fill="${grey(f.bright, p)}" stroke="${grey(f.bright, p)}" stroke-width=".6"/>`)
    if (p.hatch) out.push(`<path d="${d}" fill="url(#h)"/>`)
    const lines = f.lines.map(path).join('')
    if (lines)
      out.push(`<path d="${lines}" fill="none" stroke="#000" stroke-width="${p.glass ? '.7" stroke-dasharray="5 4' : '1'}"/>`)
  }
  for (const [x, y] of points) out.push(`<path d="M${n(x - 4)} ${n(y)}h8M${n(x)} ${n(y - 4)}v8" stroke="#000"/>`)
  for (const j of joints) {
    if (j.drawn)
      out.push(`<path d="M${n(j.x)} ${n(j.y)}L${n(j.to.x)} ${n(j.to.y)}" stroke="#000" stroke-width="2.5" marker-end="url(#t)"/>`)
    out.push(`<rect x="${n(j.x - 4)}" y="${n(j.y - 4)}" width="8" height="8"/>`)
  }
  for (const l of labels)
    out.push(
      `<text x="${n(l.lx)}" y="${n(l.ly)}" text-anchor="${l.anchor}" stroke="#fff" stroke-width="4" paint-order="stroke">${written(l.text)}</text>`,
    )
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${w} ${h}" width="${w}" height="${h}" font-family="sans-serif" font-size="13" font-weight="600">
<defs><pattern id="h" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="2" height="7"/></pattern><marker id="t" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="5" markerHeight="5" orient="auto"><path d="M0 0L8 4L0 8z"/></marker></defs>
<rect width="${w}" height="${h}" fill="#fff"/>
${out.join('\n')}
</svg>
`
}
