import { onBeforeUnmount, type ShallowRef, shallowRef, watch } from 'vue'

/**
 * What follows a frame after what it is made of: shapes that nobody sees, or sees
 * only once they are pointed at, need not hold the drawing up.
 */
export function later<T>(make: () => T, of: () => unknown[]): ShallowRef<T> {
  const shown = shallowRef(make()) as ShallowRef<T>
  let frame = 0
  let late: ReturnType<typeof setTimeout> | undefined
  watch(of, () => {
    cancelAnimationFrame(frame)
    clearTimeout(late)
    frame = requestAnimationFrame(() => (late = setTimeout(() => (shown.value = make()))))
  })
  onBeforeUnmount(() => {
    cancelAnimationFrame(frame)
    clearTimeout(late)
  })
  return shown
}
