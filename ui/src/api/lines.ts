import { type Problem, Refused } from './client'
import { spokenHeader } from './spoken'

/** Asks for what is told line by line while it is worked out; each line is handed on as it comes. */
export async function askLines<T>(path: string, body: unknown, stop: AbortSignal, line: (l: T) => void) {
  let r: Response
  try {
    r = await fetch(path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...spokenHeader() },
      body: JSON.stringify(body),
      signal: stop,
    })
  } catch {
    if (stop.aborted) return
    throw new Refused('The server does not answer. Try again.', 0)
  }
  if (!r.ok) {
    const problem = (await r.json()) as Problem
    throw new Refused(problem.detail, r.status, problem)
  }
  const from = r.body!.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  try {
    for (;;) {
      const { value, done } = await from.read()
      if (done) return
      const lines = (rest + value).split('\n')
      rest = lines.pop()!
      for (const l of lines) line(JSON.parse(l) as T)
    }
  } catch (e) {
    if (!stop.aborted) throw e
  }
}
