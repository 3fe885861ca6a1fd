// The order of a part's bends, looked for while somebody looks at it.
import { markRaw, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { words, type Bending, type BendingLine } from '@/api/client'
import { askLines } from '@/api/lines'
import type { OpenPart } from './usePart'

const rest = 400 // ms without a change before it is looked for anew

export function useBending(part: OpenPart) {
  const bending = shallowRef<Bending>()
  const far = ref<{ done: number; total: number }>()
  const why = ref('')
  const stopped = ref(false)
  let stop = new AbortController()
  let soon: ReturnType<typeof setTimeout> | undefined

  async function look() {
    stop.abort()
    const mine = (stop = new AbortController())
    far.value = { done: 0, total: 0 }
    why.value = ''
    stopped.value = false
    try {
      await askLines<BendingLine>('/api/v1/bending', part.asked(), mine.signal, (l) => {
        if (mine.signal.aborted) return
        far.value = { done: l.done, total: l.total }
        if (l.bending) bending.value = markRaw(l.bending)
        if (l.why) {
          why.value = l.why
          bending.value = undefined
        }
      })
    } catch (e) {
      if (!mine.signal.aborted) {
        why.value = words(e)
        bending.value = undefined
      }
    }
    if (mine === stop) far.value = undefined
  }
  function leave() {
    stop.abort()
    far.value = undefined
    stopped.value = true
  }
  // What is drawn stands: then it is bent.
  watch(
    part.built,
    (b) => {
      clearTimeout(soon)
      if (b?.bendLines.length) soon = setTimeout(() => void look(), bending.value || why.value ? rest : 0)
      else bending.value = undefined
    },
    { immediate: true },
  )
  onScopeDispose(() => {
    clearTimeout(soon)
    stop.abort()
  })
  return { bending, far, why, stopped, look, leave }
}
