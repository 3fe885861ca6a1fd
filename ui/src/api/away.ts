// Whether the server or its database is away. Whoever meets it away says so
// here; it is asked until it is back, and then everything shown is fetched anew.
import { ref, watch } from 'vue'

export const away = ref('')
let asking = false
let onBack: () => void = () => {}

/** What to do when the server is back. */
export const whenBack = (f: () => void) => (onBack = f)

/** Settles when what is away now is back. */
export const onceBack = () =>
  new Promise<void>((done) => {
    if (!away.value) return done()
    const off = watch(away, (now) => {
      if (now) return
      off()
      done()
    })
  })

export function metAway(message: string) {
  away.value = message
  if (asking) return
  asking = true
  const ask = async () => {
    try {
      if ((await fetch('/api/v1/health')).ok) {
        asking = false
        away.value = ''
        onBack()
        return
      }
    } catch {
      // not yet
    }
    setTimeout(() => void ask(), 1500)
  }
  setTimeout(() => void ask(), 1000)
}
