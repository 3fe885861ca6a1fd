import { useRail } from '@/device'
import { router } from '@/router'

type Handler = () => void
const handlers = new Map<string, Handler>()
const words = new Map<string, string>()

/** Binds a key like "alt+z" and says what it does; answers how to unbind it. */
export function bind(combo: string, says: string, handler: Handler): () => void {
  handlers.set(combo, handler)
  words.set(combo, says)
  return () => {
    if (handlers.get(combo) === handler) handlers.delete(combo)
  }
}

/** The keys bound where one is, in words. */
export const bound = () => [...handlers.keys()].map((combo) => ({ combo, says: words.get(combo) ?? '' }))

function name(e: KeyboardEvent): string {
  const key = e.key.length === 1 ? e.code.replace(/^(Key|Digit)/, '').toLowerCase() : e.key.toLowerCase()
  return [e.ctrlKey || e.metaKey ? 'ctrl' : '', e.altKey ? 'alt' : '', e.shiftKey ? 'shift' : '', key].filter(Boolean).join('+')
}

/** Listens for the program's keys: Alt+1…4 go to the benches. */
export function listen(): () => void {
  const benches: Record<string, string> = { 'alt+1': 'measure', 'alt+2': 'shape', 'alt+3': 'hold', 'alt+4': 'make' }
  const onKey = (e: KeyboardEvent) => {
    const combo = name(e)
    const rail = useRail()
    const bench = benches[combo]
    if (bench && rail.job) {
      e.preventDefault()
      const part = bench === 'shape' && rail.part ? `/${rail.part}` : ''
      void router.push(`/jobs/${rail.job}/${bench}${part}`)
      return
    }
    const handler = handlers.get(combo)
    if (handler) {
      e.preventDefault()
      handler()
    }
  }
  window.addEventListener('keydown', onKey)
  return () => window.removeEventListener('keydown', onKey)
}
