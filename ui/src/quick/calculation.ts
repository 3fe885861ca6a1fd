// What a quick number asks and answers.
import type { paths } from '@/api/schema'

export type CalcName = Extract<keyof paths, `/api/v1/calc/${string}`> extends `/api/v1/calc/${infer N}` ? N : never
export type Field = {
  key: string
  label: string
  letter?: string
  kind: 'length' | 'angle' | 'number' | 'choice' | 'material' | 'places' | 'thread' | 'grade' | 'strength' | 'rivet'
  start: number | string | number[][] | null
  axes?: string[] // of places
  axisKinds?: ('length' | 'count' | 'number')[] // lengths when left out
  choices?: () => { value: string; text: string }[]
  /** Of strengths: whose. */
  of?: 'bolts' | 'threaded'
  optional?: boolean
  note?: string
}
export type Result = {
  key: string
  label: string
  kind: 'length' | 'angle' | 'number' | 'force' | 'torque' | 'forces' | 'lengths' | 'text'
  lead?: boolean
}
export type Calculation = {
  name: CalcName
  slug: string
  title: string
  about: string
  fields: Field[]
  results: Result[]
  /** The request, where it is not the fields as they stand. */
  request?: (values: Record<string, unknown>) => Record<string, unknown>
  /** A paper of the answer: where it is made, from the request. */
  paper?: { text: string; path: string }
  special?: 'length' | 'section' | 'schools'
}
