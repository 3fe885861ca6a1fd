// A document as edited here: kept in this browser at once, saved a moment
// later, and never over what somebody else saved meanwhile.
import { onScopeDispose, type Ref, ref } from 'vue'
import { Refused, words } from '@/api/client'
import { put } from '@/api/pointer'
import { useEntry } from '@/kit/entry'

export type SaveWord = 'saved' | 'not saved yet' | 'saving' | 'waiting for the server' | 'not saved'

export function useKept<T>(opt: {
  /** Where it is kept in this browser. */
  key: () => string
  save: (revision: number, doc: T, continues: boolean) => Promise<{ revision: number }>
  after: () => void
  /** Fetches what is saved. */
  refetch: () => Promise<unknown>
  /** ms of quiet before a save */
  pause?: number
}) {
  const pause = opt.pause ?? 500
  const doc = ref() as Ref<T | undefined>
  const state = ref<SaveWord>('saved')
  const wrong = ref('')
  const faults = ref<Record<string, string>>({})
  const saves = ref(0)
  let revision = 0
  let shown = ''
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Takes what the server has, unless something here is not sent yet. */
  function arrive(newRevision: number, newDoc: T) {
    const key = opt.key()
    const kept = shown === key ? null : localStorage.getItem(key)
    if (kept) {
      shown = key
      const unsent = JSON.parse(kept) as { revision: number; brief?: T; doc?: T }
      doc.value = unsent.doc ?? unsent.brief
      revision = unsent.revision
      schedule()
    } else if (state.value === 'saved' || shown !== key) {
      shown = key
      doc.value = newDoc
      revision = newRevision
      state.value = 'saved'
    }
  }
  const entry = useEntry()
  function change(next: T, path?: string) {
    entry.touch(path)
    doc.value = next
    keep()
    schedule()
  }
  function keep() {
    localStorage.setItem(opt.key(), JSON.stringify({ revision, doc: doc.value }))
  }
  function schedule(after = pause) {
    state.value = 'not saved yet'
    clearTimeout(timer)
    timer = setTimeout(() => void save(), after)
  }
  async function save() {
    clearTimeout(timer)
    if (doc.value === undefined) return
    const key = opt.key()
    const sent = JSON.stringify(doc.value)
    state.value = 'saving'
    try {
      const got = await opt.save(revision, doc.value, entry.goesOn())
      revision = got.revision
      wrong.value = ''
      faults.value = {}
      if (JSON.stringify(doc.value) === sent) {
        localStorage.removeItem(key)
        state.value = 'saved'
      } else {
        keep()
        schedule()
      }
      saves.value++
      opt.after()
    } catch (e) {
      wrong.value = words(e)
      if (e instanceof Refused && (e.status === 0 || e.status >= 500)) {
        state.value = 'waiting for the server' // kept in this browser; tried again by itself
        timer = setTimeout(() => void save(), 2500)
        return
      }
      state.value = 'not saved'
      faults.value = e instanceof Refused ? Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message])) : {}
    }
  }
  /** Takes what was saved meanwhile. */
  async function anew() {
    localStorage.removeItem(opt.key())
    state.value = 'saved'
    wrong.value = ''
    faults.value = {}
    await opt.refetch()
  }
  onScopeDispose(() => {
    if (state.value === 'not saved yet') void save()
  })

  const set = (path: string, value: unknown) => doc.value !== undefined && change(put(plain(doc.value), path, value), path)
  return { doc, state, wrong, faults, saves, arrive, change, set, save, anew }
}

const plain = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T
