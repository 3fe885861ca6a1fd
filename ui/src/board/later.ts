import { onBeforeUnmount, type ShallowRef, shallowRef, watch } from 'vue'
import { afterFrame } from '@/kit/afterFrame'

/**
 * What follows a frame after what it is made of: shapes that nobody sees, or sees
 * only once they are pointed at, need not hold the drawing up.
 */
export function later<T>(make: () => T, of: () => unknown[]): ShallowRef<T> {
  const shown = shallowRef(make()) as ShallowRef<T>
  let stop = () => {}
  watch(of, () => {
    stop()
    stop = afterFrame(() => (shown.value = make()))
  })
  onBeforeUnmount(() => stop())
  return shown
}
