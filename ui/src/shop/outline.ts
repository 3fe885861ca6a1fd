import { api, take } from '@/api/client'

/** The largest closed outline of a drawing, in millimetres; a drawing that does not say its unit is in the shop's. */
export async function largestOutline(file: File, inch: boolean) {
  const bytes = new Uint8Array(await file.arrayBuffer())
  const base64 = btoa(bytes.reduce((s, b) => s + String.fromCharCode(b), ''))
  const got = await take(api.POST('/api/v1/calc/import', { body: { name: file.name, base64 } }))
  const largest = [...got.loops].sort((a, b) => b.area - a.area)[0]
  if (!largest) throw new Error('No closed outline is in it: draw the outside as one closed line.')
  const k = got.unitsToMM ?? (inch ? 25.4 : 1)
  return largest.outline.map(([x, y, bulge]) => ({ x: x! * k, y: y! * k, bulge: bulge! }))
}
