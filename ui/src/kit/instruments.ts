// What the instruments are good for, as the job writes it: told by the survey,
// shown wherever a reading is taken.
import { wordOf } from '@/api/words'
import { computed, type ComputedRef, inject, type InjectionKey, provide } from 'vue'

type Told = Record<string, { usual: string; good: string; angle: string }>
const key: InjectionKey<ComputedRef<Told>> = Symbol('instruments')

export const provideInstruments = (told: () => Told | undefined) =>
  provide(
    key,
    computed(() => told() ?? {}),
  )

/** Names an instrument with what it is good for. */
export function useInstruments() {
  const told = inject(
    key,
    computed(() => ({}) as Told),
  )
  const named = (name: string, angle: boolean) => {
    const good = angle ? told.value[name]?.angle : told.value[name]?.good
    return `${wordOf('SurveyReading', 'instrument', name)?.text ?? name}${good ? ` ± ${good}` : ''}`
  }
  return { named }
}
