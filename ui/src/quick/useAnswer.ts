import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { metAway } from '@/api/away'
import { askAgain, Refused, words } from '@/api/client'
import { stoppedWords, wasStopped, watch as watchWork } from '@/api/busy'
import type { CalcName } from './calculation'

/** Asks a calculation as its request changes; the latest answer wins. */
export function useAnswer(name: CalcName, request: () => Record<string, unknown> | null, inches: () => boolean) {
  const answer = shallowRef<Record<string, unknown>>()
  const faults = ref<{ path: string; message: string }[]>([])
  const trouble = ref('')
  let going: AbortController | undefined

  watch(request, work, { immediate: true, deep: true })
  watch(inches, () => work(request()))
  async function work(body: Record<string, unknown> | null) {
    leave()
    if (!body) {
      answer.value = undefined
      faults.value = []
      trouble.value = ''
      return
    }
    const mine = (going = new AbortController())
    const done = watchWork(mine)
    // An answer must not stand beside what it is no longer of.
    const late = setTimeout(() => (answer.value = undefined), 500)
    try {
      const got = await ask(name, body, inches(), mine.signal)
      answer.value = got
      faults.value = []
      trouble.value = ''
    } catch (e) {
      if (e instanceof DOMException && (going !== mine || !wasStopped())) return
      answer.value = undefined
      faults.value = e instanceof Refused ? (e.problem?.errors ?? []) : []
      trouble.value = e instanceof DOMException ? stoppedWords : words(e)
      askAgain(
        e,
        () => going === mine,
        () => work(body),
      )
    } finally {
      clearTimeout(late)
      done()
    }
  }
  function leave() {
    going?.abort()
    going = undefined
  }
  onScopeDispose(leave)
  return { answer, faults, trouble }
}

async function ask(name: CalcName, body: unknown, inches: boolean, signal: AbortSignal): Promise<Record<string, unknown>> {
  let r: Response
  try {
    r = await fetch(`/api/v1/calc/${name}?written=${inches ? 'in' : 'mm'}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
      signal,
    })
  } catch (e) {
    if (e instanceof DOMException) throw e
    metAway('The server does not answer.')
    throw new Refused('The server does not answer. What you typed is kept here.', 0)
  }
  const got = (await r.json()) as Record<string, unknown>
  if (!r.ok) throw new Refused(String(got.detail), r.status, got as never)
  return got
}
