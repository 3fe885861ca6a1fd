import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { Working } from '@/api/client'

/** The working that lies open beside the bench. */
export const useWorking = defineStore('working', () => {
  const title = ref('')
  const open = ref<Working | null>(null)
  let back: HTMLElement | null = null
  function show(name: string, w: Working) {
    back = document.activeElement as HTMLElement | null
    title.value = name
    open.value = w
  }
  function close() {
    open.value = null
    back?.focus()
  }
  return { title, open, show, close }
})
