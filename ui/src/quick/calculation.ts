// What a quick number asks and answers.
import type { paths } from '@/api/schema'
import type { Amount } from '@/kit/readLength'

export type CalcName = Extract<keyof paths, `/api/v1/calc/${string}`> extends `/api/v1/calc/${infer N}` ? N : never
export type Field = {
  key: string
  label: string
  letter?: string
  kind:
    'length' | 'hole' | 'angle' | 'number' | Amount | 'choice' | 'material' | 'places' | 'thread' | 'grade' | 'strength' | 'rivet'
  start: number | string | number[][] | null
  /** What it begins with where inches are spoken, if not the start as such a shop says it. */
  inch?: number | string
  axes?: string[] // of places
  axisKinds?: ('length' | 'count' | 'number' | 'mass')[] // lengths when left out
  choices?: () => { value: string; text: string }[]
  /** Of strengths: whose. */
  of?: 'bolts' | 'threaded' | 'fillers' | 'sheet'
  optional?: boolean
  note?: string
  /** Whether it counts beside the others; it always does when left out. */
  when?: (values: Record<string, unknown>) => boolean
}
export type Result = {
  key: string
  label: string
  kind: 'length' | 'fine' | 'angle' | 'number' | 'share' | Amount | 'forces' | 'lengths' | 'place' | 'drill' | 'text'
  lead?: boolean
}
export type Calculation = {
  name: CalcName
  slug: string
  title: string
  about: string
  /** Where the work is that it belongs to. */
  bench: 'measure' | 'shape' | 'hold' | 'make'
  /** What people call it, besides its title and what it is about. */
  said: string
  fields: Field[]
  results: Result[]
  /** The request, where it is not the fields as they stand. */
  request?: (values: Record<string, unknown>, inches: boolean) => Record<string, unknown>
  /** A paper of the answer: where it is made, from the request. */
  paper?: { text: string; path: string }
  special?: 'length' | 'section' | 'schools'
}
