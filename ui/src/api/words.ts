// What can be chosen, and what is asked with it, as the server says it: forms have no
// list of their own. Fields are named by the API's forms, so that a misspelt one does
// not compile.
import { shallowRef } from 'vue'
import { api, take } from './client'
import type { components } from './schema'

type Forms = components['schemas']
type Item<T> = T extends readonly (infer E)[] ? E : T
type Said<F extends keyof Forms, N extends keyof Forms[F]> = Extract<NonNullable<Item<NonNullable<Forms[F][N]>>>, string>
export type Word<V extends string = string> = Omit<Forms['Word'], 'value'> & { value: V }
export type Thing = Forms['Thing']

const served = shallowRef({ fields: {}, things: [], grains: [] } as unknown as Forms['WordsView'])

/** Fetches the words; the application starts with them. */
export async function loadWords() {
  served.value = await take(api.GET('/api/v1/words', {}))
}

/** The choices of a field. */
export function wordsOf<F extends keyof Forms, N extends keyof Forms[F] & string>(form: F, field: N): Word<Said<F, N>>[] {
  return (served.value.fields[`${form}.${field}`] ?? []).filter((w) => w.value) as Word<Said<F, N>>[]
}

/** The choices of a field that may be left out; none is how that is said, where the words do not say it. */
export function mayBe<F extends keyof Forms, N extends keyof Forms[F] & string>(form: F, field: N, none?: string) {
  const list = (served.value.fields[`${form}.${field}`] ?? []) as Word<Said<F, N> | ''>[]
  return none === undefined ? list : [{ value: '' as const, text: none } as Word<Said<F, N> | ''>, ...list.filter((w) => w.value)]
}

/** One choice. */
export function wordOf<F extends keyof Forms, N extends keyof Forms[F] & string>(form: F, field: N, value: string | undefined) {
  return served.value.fields[`${form}.${field}`]?.find((w) => w.value === (value ?? ''))
}

/** Whether a field is shown with a choice of another. */
export function shows<F extends keyof Forms, N extends keyof Forms[F] & string>(
  form: F,
  field: N,
  value: string | undefined,
  shown: string,
) {
  return wordOf(form, field, value)?.shows?.includes(shown) ?? false
}

/** What can be added to a panel. */
export const things = () => served.value.things

/** What new things start from in a metric or an inch shop. */
export const shopOf = (inch: boolean) => (inch ? served.value.inch : served.value.metric)

/** Steps lengths are written in, of one unit. */
export const grainsOf = (unit: Forms['Brief']['unit']) => served.value.grains.filter((g) => g.unit === unit)
