// A feature taken along to another panel or part, kept on this device.
import { ref } from 'vue'

export type Carried = { kind: 'flanges' | 'holes' | 'edges' | 'marks'; word: string; feature: unknown }
const key = 'warmanvil.carried'
const stored = localStorage.getItem(key)
export const carried = ref<Carried | undefined>(stored ? (JSON.parse(stored) as Carried) : undefined)

export function keepFeature(c: Carried) {
  carried.value = JSON.parse(JSON.stringify(c)) as Carried
  localStorage.setItem(key, JSON.stringify(c))
}
