// In which units refusals are read: the server says lengths, masses and forces of a refused
// entry as the job on the screen does.
import type { Middleware } from 'openapi-fetch'

let inches = false

/** Says in which units the job on the screen is. */
export const speakInches = (yes: boolean) => void (inches = yes)

/** The header that says it. */
export const spokenHeader = (): Record<string, string> => (inches ? { Spoken: 'in' } : {})

export const speaking: Middleware = {
  onRequest({ request }) {
    for (const [name, value] of Object.entries(spokenHeader())) request.headers.set(name, value)
    return request
  },
}
