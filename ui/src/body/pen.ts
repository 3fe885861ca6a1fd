// Draws what is seen on a canvas, from the back to the front.
import { lit, type Paint, rgb, token } from './ink'
import type { Face } from './whole'

function path(pen: CanvasRenderingContext2D, at: [number, number][]) {
  pen.beginPath()
  at.forEach(([x, y], i) => (i ? pen.lineTo(x, y) : pen.moveTo(x, y)))
  pen.closePath()
}

function stripes(pen: CanvasRenderingContext2D, color: string): CanvasPattern {
  const tile = document.createElement('canvas')
  tile.width = tile.height = 8
  const brush = tile.getContext('2d')!
  brush.strokeStyle = color
  brush.lineWidth = 2.2
  brush.beginPath()
  for (const o of [-8, 0, 8]) {
    brush.moveTo(o, 8)
    brush.lineTo(o + 8, 0)
  }
  brush.stroke()
  return pen.createPattern(tile, 'repeat')!
}

/** Draws faces that lie in px already. */
export function drawFaces(canvas: HTMLCanvasElement, { w, h }: { w: number; h: number }, faces: Face[], paints: Paint[]) {
  const k = Math.min(devicePixelRatio, 2)
  if (canvas.width !== Math.round(w * k) || canvas.height !== Math.round(h * k)) {
    canvas.width = Math.round(w * k)
    canvas.height = Math.round(h * k)
  }
  const pen = canvas.getContext('2d')!
  pen.setTransform(k, 0, 0, k, 0, 0)
  pen.fillStyle = token('--board')
  pen.fillRect(0, 0, w, h)
  const ink = token('--line')
  const colors = paints.map((p) => rgb(token(p.fill)))
  const hatches = paints.map((p) =>
    p.hatch ? stripes(pen, token(p.glass ? '--stop' : p.fill === '--stop' ? '--board' : '--mind')) : undefined,
  )
  pen.lineJoin = 'round'
  for (const f of faces) {
    const { glass } = paints[f.thing]!
    path(pen, f.at)
    const fill = lit(colors[f.thing]!, f.bright)
    pen.fillStyle = fill
    pen.globalAlpha = glass ? 0.14 : 1
    pen.fill()
    if (!glass) {
      pen.strokeStyle = fill // no seam between faces of one colour
      pen.lineWidth = 0.7
      pen.stroke()
    }
    const hatch = hatches[f.thing]
    if (hatch) {
      pen.globalAlpha = glass ? 0.1 : 0.75
      pen.fillStyle = hatch
      pen.fill()
    }
    pen.globalAlpha = glass ? 0.55 : 1
    pen.strokeStyle = glass ? fill : ink
    pen.lineWidth = glass ? 1 : 1.1
    pen.setLineDash(glass ? [5, 4] : [])
    pen.beginPath()
    for (const [a, b] of f.lines as [[number, number], [number, number]][]) {
      pen.moveTo(a[0], a[1])
      pen.lineTo(b[0], b[1])
    }
    pen.stroke()
    pen.setLineDash([])
    pen.globalAlpha = 1
  }
}
