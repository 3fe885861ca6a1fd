import { defineStore } from 'pinia'
import { ref, watchEffect } from 'vue'

const stored = <T extends string>(key: string, fallback: T): T => (localStorage.getItem(key) as T | null) ?? fallback

/** What this device prefers; kept on it alone. */
export const useDevice = defineStore('device', () => {
  const theme = ref<'day' | 'shed'>(stored('warmanvil.theme', 'day'))
  watchEffect(() => {
    document.documentElement.dataset.theme = theme.value
    localStorage.setItem('warmanvil.theme', theme.value)
  })
  // Another tab of this device may choose.
  window.addEventListener('storage', (e) => {
    if (e.key === 'warmanvil.theme' && (e.newValue === 'day' || e.newValue === 'shed')) theme.value = e.newValue
  })
  return { theme }
})

/** Where the rail stands: stops of the open part and brackets that are over, shown on the rail where they must halt the work. */
export const useRail = defineStore('rail', () => ({ stops: ref(0), over: ref(0), job: ref(''), jobName: ref(''), part: ref('') }))
