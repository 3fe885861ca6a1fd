// A drawing as it stands on the screen, made a PNG: the styles and fonts it is
// drawn with go into it, so that it looks the same elsewhere.
import { Refused } from '@/api/client'

const drawnBy = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'letter-spacing',
  'text-anchor',
  'paint-order',
  'vector-effect',
  'fill-rule',
]
const sharp = 2 // pixels of the picture to one of the screen

/** Answers the picture of a drawing and the words it goes by. */
export async function pictureOf(drawing: SVGSVGElement | HTMLCanvasElement): Promise<Blob> {
  const { width, height } = drawing.getBoundingClientRect()
  if (!width || !height) throw new Refused('There is nothing drawn here to make a picture of.', 0)
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * sharp)
  canvas.height = Math.round(height * sharp)
  const pen = canvas.getContext('2d')!
  pen.fillStyle = behind(drawing)
  pen.fillRect(0, 0, canvas.width, canvas.height)
  pen.drawImage(
    drawing instanceof HTMLCanvasElement ? drawing : await standing(drawing, width, height),
    0,
    0,
    canvas.width,
    canvas.height,
  )
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  if (!blob) throw new Refused('This browser makes no picture of it.', 0)
  return blob
}

/** The colour a drawing lies on. */
function behind(e: Element): string {
  for (let at: Element | null = e; at; at = at.parentElement) {
    const color = getComputedStyle(at).backgroundColor
    if (color !== 'transparent' && !color.endsWith(', 0)')) return color
  }
  return 'white'
}

/** An SVG that stands by itself, as an image. */
async function standing(svg: SVGSVGElement, width: number, height: number): Promise<HTMLImageElement> {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const from = [svg, ...svg.querySelectorAll('*')]
  const to = [copy, ...copy.querySelectorAll('*')]
  from.forEach((e, i) => {
    const style = getComputedStyle(e)
    // As attributes: the page's own policy lets no style be written on an element.
    for (const k of drawnBy) to[i]!.setAttribute(k, style.getPropertyValue(k))
    to[i]!.removeAttribute('class')
  })
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(width))
  copy.setAttribute('height', String(height))
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style')
  style.textContent = await fonts()
  copy.prepend(style)
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(new XMLSerializer().serializeToString(copy))}`
  await image.decode()
  return image
}

let carried: Promise<string> | undefined
/** The application's fonts, written out: an image may fetch nothing. */
const fonts = () => (carried ??= writeFonts())
async function writeFonts(): Promise<string> {
  const faces = [...document.styleSheets].flatMap((s) =>
    [...s.cssRules].flatMap((r) => (r instanceof CSSFontFaceRule ? [{ text: r.cssText, base: s.href ?? location.href }] : [])),
  )
  const written = faces.map(async ({ text, base }) => {
    const url = /url\("?([^")]+)"?\)/.exec(text)?.[1]
    if (!url) return ''
    const data = await (await fetch(new URL(url, base))).blob()
    const read = new FileReader()
    await new Promise((done) => {
      read.onload = done
      read.readAsDataURL(data)
    })
    return text.replace(url, read.result as string)
  })
  return (await Promise.all(written)).join('\n')
}
