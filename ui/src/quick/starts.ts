// What a quick number begins with, in the sizes a shop says: 3 mm sheet is 1/8 in where
// inches are spoken, an M10 a 3/8.
import { api, take } from '@/api/client'
import type { Field } from './calculation'

export type Values = Record<string, number | string | number[][] | null>

export const plainStarts = (fields: Field[]): Values => Object.fromEntries(fields.map((f) => [f.key, f.start]))

const isLength = (f: Field, axis: number) => f.kind === 'places' && (f.axisKinds?.[axis] ?? 'length') === 'length'

/** The same in the sizes of inch shops. */
export async function inchStarts(fields: Field[]): Promise<Values> {
  const sizes: number[] = []
  const ask = (mm: number) => sizes.push(mm) - 1
  // Every length is asked for by its place in one list.
  const places = fields.map((f) => {
    if ((f.kind === 'length' || f.kind === 'hole') && typeof f.start === 'number') return ask(f.start)
    if (Array.isArray(f.start)) return f.start.map((row) => row.map((v, k) => (isLength(f, k) ? ask(v) : undefined)))
    return undefined
  })
  const said = sizes.length ? (await take(api.POST('/api/v1/calc/length.usual', { body: { mm: sizes } }))).mm : []
  return Object.fromEntries(
    fields.map((f, i) => {
      const at = places[i]
      if (f.inch !== undefined) return [f.key, f.inch]
      if (typeof at === 'number') return [f.key, said[at]!]
      if (Array.isArray(at) && Array.isArray(f.start))
        return [f.key, f.start.map((row, r) => row.map((v, k) => (at[r]![k] === undefined ? v : said[at[r]![k]]!)))]
      return [f.key, f.start]
    }),
  )
}
