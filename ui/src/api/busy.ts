// What has been asked of the server and takes long: for how long, what comes before it, and
// how to stop it. Saves are not among it; they are never stopped.
import type { Middleware } from 'openapi-fetch'
import { ref } from 'vue'
import { newId } from './ids'

const told = 2000 // ms after which it is said that something takes long
const under = new Map<string, { since: number; stop: AbortController }>()

/** Words on what takes long; empty when nothing does. */
export const busy = ref('')
const computes = /\/api\/v1\/(calc\/|(build|body|fixes|working|fresh|change|points)$|.*\/(trace|sections)$)/
let stopped = 0 // when the user last stopped what was under way
let looking: ReturnType<typeof setTimeout> | undefined

/** Whether what just failed was stopped by hand. */
export const wasStopped = () => Date.now() - stopped < 1000

export const stoppedWords = 'You stopped this. Ask again when you want it.'

/** Leaves off whatever takes long; the server ends its work on it. */
export function stopWaiting() {
  stopped = Date.now()
  under.forEach((u) => u.stop.abort())
}

/** Watches one request that may take long, until what is answered is called. */
export function watch(stop: AbortController, id = newId()): () => void {
  under.set(id, { since: Date.now(), stop })
  looking ??= setTimeout(() => void look(), told)
  return () => over(id)
}

export const watching: Middleware = {
  onRequest({ request, id }) {
    if (request.method !== 'GET' && !computes.test(new URL(request.url).pathname)) return
    const stop = new AbortController()
    request.signal.addEventListener('abort', () => stop.abort())
    watch(stop, id)
    return new Request(request, { signal: stop.signal })
  },
  onResponse: ({ id }) => void over(id),
  onError: ({ id }) => void over(id),
}

function over(id: string) {
  under.delete(id)
  if (under.size === 0) busy.value = ''
}

async function look() {
  looking = undefined
  const since = Math.min(...[...under.values()].map((u) => u.since))
  if (under.size === 0) return
  const seconds = Math.round((Date.now() - since) / 1000)
  if (seconds * 1000 >= told) busy.value = `Still working, ${seconds} s.${await before()}`
  if (under.size === 0) busy.value = ''
  else looking ??= setTimeout(() => void look(), 1000)
}

/** Who comes first, where it waits for others. */
async function before(): Promise<string> {
  try {
    const r = await fetch('/api/v1/line')
    if (!r.ok) return ''
    const line = (await r.json()) as { waiting: number; before: number }
    if (line.before > 0) return ` ${line.before} before you in line.`
    return line.waiting > 0 ? ' You are next in line.' : ''
  } catch {
    return ''
  }
}
