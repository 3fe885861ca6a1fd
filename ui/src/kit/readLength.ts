import { api, take } from '@/api/client'

/** Amounts that are no length: read and written with their unit, in the job's system. */
export type Amount =
  | 'force'
  | 'mass'
  | 'moment'
  | 'area'
  | 'speed'
  | 'stress'
  | 'rate'
  | 'linear'
  | 'section'
  | 'modulus'
  | 'inertia'
  | 'price'
  | 'heat'
/** A hole is a length that may be named by what goes through it. */
export type Kind = 'length' | 'hole' | 'angle' | 'count' | 'number' | Amount

const amounts: readonly string[] = [
  'force',
  'mass',
  'moment',
  'area',
  'speed',
  'stress',
  'rate',
  'linear',
  'section',
  'modulus',
  'inertia',
  'price',
  'heat',
] satisfies Amount[]
export const isAmount = (k: Kind): k is Amount => amounts.includes(k)

/** How a job writes lengths. */
export type Style = { unit: 'mm' | 'fraction' | 'decimal'; grain: number }
/** And what else a part is checked against: what one person lifts, whether people are near. */
export type BuildStyle = Style & { lift?: number; nearPeople?: boolean }

/** A place that is typed into, where what is typed may outlive the field. */
export type Entry = {
  deliver: (value: number) => void
  /** What was refused here before. */
  draft?: string
  /** Keeps what was refused, or forgets it. */
  keep: (text: string | undefined) => void
  /** Begins reading: what is still being read for the same place is let go of. */
  begin: () => AbortController
}

export const bareUnit = (s: Style) => (s.unit === 'mm' ? 'mm' : 'in')

/** Reads what was typed; the server understands, this only asks. Plain tells that nothing needs to be shown back. */
export async function read(
  text: string,
  kind: Kind,
  style: Style,
  family: string | undefined,
  signal?: AbortSignal,
): Promise<{ value: number; plain: boolean; says?: string }> {
  if (kind === 'length' || kind === 'hole') {
    const body = {
      text,
      unit: bareUnit(style) as 'in' | 'mm',
      ...(kind === 'hole' ? { hole: true } : {}),
      ...(family ? { family: family as 'steel' } : {}),
    }
    const got = await take(api.POST('/api/v1/calc/length.parse', { body, signal }))
    return { value: got.mm, plain: got.plain, says: got.says }
  }
  if (isAmount(kind)) {
    const body = { text, measure: kind, inches: style.unit !== 'mm' }
    const got = await take(api.POST('/api/v1/calc/amount.parse', { body, signal }))
    return { value: got.value, plain: got.plain }
  }
  const got = await take(api.POST('/api/v1/calc/number.parse', { body: { text }, signal }))
  return { value: kind === 'count' ? Math.round(got.value) : got.value, plain: /^[\d.]+°?$/.test(text.trim()) }
}

/** Writes an amount as the job does: as it was given, or with the figures a result is read with. */
export async function writeAmount(
  value: number,
  kind: Amount,
  style: Style,
  signal?: AbortSignal,
  result?: boolean,
): Promise<string> {
  const body = { value, measure: kind, inches: style.unit !== 'mm', ...(result ? { result } : {}) }
  return (await take(api.POST('/api/v1/calc/amount.format', { body, signal }))).text
}

/** Writes a length: rounded as the job reads results, and as it was given. */
export async function write(
  mm: number,
  style: Style,
  signal?: AbortSignal,
): Promise<{ text: string; lies: string; off: string; given: string; fine: string }> {
  const denominator = style.unit === 'fraction' ? ([16, 32, 64] as const).find((d) => 25.4 / d <= style.grain + 1e-9) : undefined
  const body = { mm, style: style.unit, ...(denominator ? { denominator } : {}) }
  return take(api.POST('/api/v1/calc/length.format', { body, signal }))
}
