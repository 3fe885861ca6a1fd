// One document as edited here: drawn at once, kept in this browser at once, saved a
// moment later, never twice at a time. What somebody else saved meanwhile is joined by the
// server; where both changed the same thing, it is asked.
import { useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { Refused, words } from '@/api/client'
import type { Path, Under } from '@/api/path'
import { at, put } from '@/api/pointer'
import { queryClient } from '@/api/queries'
import { useEntry } from '@/kit/entry'
import { typing } from '@/kit/typing'
import { draftOf, dropDraft, keepDraft } from './drafts'
import { type Clash, type Difference, type Kind, type On, reach, type State, type View } from './reach'
import { rebase } from './rebase'

export type SaveWord = 'saved' | 'not saved yet' | 'saving' | 'waiting for the server' | 'not saved' | 'two versions'

const quiet = 1500 // ms without a change before somebody is asked: a question takes the keys away from who types
const again = 2500 // ms until a server that was away is asked again

export function useDocument<K extends Kind>(
  kind: K,
  opt: {
    id: () => string
    /** ms of quiet before a save */
    pause?: number
    /** Something was saved, undone or done again, here. */
    after?: (view: View<K>) => void
    /** What is edited here was changed, by hand or by what came from the server. */
    drawn?: () => void
  },
) {
  const remote = reach(kind)
  const view = shallowRef<View<K>>() // as the server has it
  const doc = shallowRef<State<K>>() // as edited here
  const state = ref<SaveWord>('saved')
  const wrong = ref('')
  const faults = ref<Record<string, string>>({})
  const clash = shallowRef<Clash>()
  const joined = shallowRef<Difference[]>([])
  const saves = ref(0)
  const drafted = ref(false) // what is edited began with what was kept in this browser
  const entry = useEntry()
  let shown = '' // id of what is edited
  let on = 0 // revision it was made from
  let synced = '' // what the server has, as this page writes it
  let choice: Pick<On, 'settled' | 'mine'> | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined
  let touched = 0 // when it was last changed here

  const written = () => JSON.stringify(doc.value)
  const dirty = () => doc.value !== undefined && written() !== synced

  const { data, error, refetch } = useQuery(
    {
      queryKey: [kind, opt.id],
      queryFn: () => remote.get(opt.id()),
      enabled: () => opt.id() !== '',
      staleTime: 0, // others work on it too
    },
    queryClient, // a part is opened outside of a component
  )
  watch(data, (got) => got && arrive(got))
  // What is known already comes when whoever asked is ready for it.
  if (data.value) queueMicrotask(() => data.value && arrive(data.value))

  /** Takes what the server has, unless something here is not sent yet. */
  function arrive(got: View<K>) {
    const id = opt.id()
    if (shown !== id) {
      leave()
      shown = id
      entry.goesOn()
      clash.value = undefined
      joined.value = []
      const draft = draftOf<State<K>>(kind, id)
      adopt(got)
      drafted.value = !!draft
      if (draft) {
        doc.value = draft.doc
        on = draft.revision
        if (dirty()) schedule()
        else keep()
      }
      opt.drawn?.()
      return
    }
    if (view.value && got.revision < view.value.revision) return // overtaken
    view.value = got
    if (state.value !== 'saved' || got.revision === on) return
    adopt(got)
    opt.drawn?.()
  }

  function adopt(got: View<K>) {
    view.value = got
    doc.value = plain(got.state)
    on = got.revision
    synced = written()
    state.value = 'saved'
    wrong.value = ''
    faults.value = {}
    keep()
  }

  function change(next: State<K>, path?: string) {
    entry.touch(path)
    touched = Date.now()
    doc.value = next
    opt.drawn?.()
    keep()
    if (state.value !== 'two versions') schedule()
  }
  function keep() {
    const text = written()
    if (text !== synced) keepDraft(kind, shown, on, text)
    else dropDraft(kind, shown)
  }
  function schedule(after = opt.pause ?? 500) {
    state.value = 'not saved yet'
    clearTimeout(timer)
    timer = setTimeout(whole, after)
  }
  /** Sends once no number is half typed. */
  function whole() {
    if (typing()) timer = setTimeout(whole, 150)
    else void send()
  }

  /** Sends what is not saved yet; answers when everything is, or cannot be. */
  async function send(): Promise<void> {
    clearTimeout(timer)
    while (sending) await sending
    if (state.value === 'two versions' && !choice) return
    if (!dirty()) {
      if (state.value === 'not saved yet') state.value = 'saved'
      return
    }
    sending = once().finally(() => (sending = undefined))
    await sending
    if (state.value === 'not saved yet') await send() // typed while it was under way
  }

  async function once() {
    const id = shown
    const sent = written()
    const made = doc.value!
    state.value = 'saving'
    try {
      const got = await remote.put(id, made, { revision: on, continues: entry.goesOn(), ...choice })
      if (shown !== id) {
        dropDraft(kind, id)
        return
      }
      settle(got, made, sent)
    } catch (e) {
      if (shown === id) fail(e)
    }
  }

  function settle(got: View<K>, made: State<K>, sent: string) {
    const others = got.joined?.length || choice || got.revision > on + 1
    choice = undefined
    if (got.joined?.length) joined.value = got.joined
    view.value = got
    on = got.revision
    wrong.value = ''
    faults.value = {}
    if (others) {
      const next = rebase(JSON.parse(sent), plain(doc.value!), plain(got.state)) as State<K>
      synced = JSON.stringify(plain(got.state))
      doc.value = next
      opt.drawn?.()
    } else synced = JSON.stringify(made)
    state.value = dirty() ? 'not saved yet' : 'saved'
    keep()
    queryClient.setQueryData([kind, shown], got)
    saves.value++
    opt.after?.(got)
  }

  function fail(e: unknown) {
    wrong.value = words(e)
    const status = e instanceof Refused ? e.status : 500
    if (e instanceof Refused && e.problem?.clash) {
      choice = undefined
      const rest = touched + quiet - Date.now()
      if (rest > 0) {
        schedule(rest)
        return
      }
      clash.value = e.problem.clash
      state.value = 'two versions'
      return
    }
    if (status === 0 || status >= 500 || status === 412 || status === 429) {
      state.value = 'waiting for the server' // kept in this browser; tried again by itself
      timer = setTimeout(() => void send(), again)
      return
    }
    state.value = 'not saved'
    faults.value = e instanceof Refused ? Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message])) : {}
  }

  /** Says where mine is to stand of what both changed; theirs stands in the rest. */
  async function settleClash(mine: string[]) {
    choice = { settled: clash.value!.revision, mine }
    clash.value = undefined
    wrong.value = ''
    await send()
  }

  /** Undo or redo, after what is typed is saved. */
  async function step(way: 'undo' | 'redo') {
    await send()
    if (state.value !== 'saved') return
    wrong.value = ''
    try {
      const got = await remote.step(shown, way, view.value!.revision)
      entry.goesOn()
      adopt(got)
      queryClient.setQueryData([kind, shown], got)
      opt.drawn?.()
      opt.after?.(got)
    } catch (e) {
      wrong.value =
        e instanceof Refused && e.status === 412 ? 'Somebody changed it meanwhile: what is here is theirs now.' : words(e)
      void refetch()
    }
  }

  /** Takes what is saved in the place of what is refused here. */
  async function anew() {
    clearTimeout(timer)
    synced = written()
    state.value = 'saved'
    wrong.value = ''
    faults.value = {}
    keep()
    on = -1
    await refetch()
    if (on === -1 && data.value) adopt(data.value)
    opt.drawn?.()
  }

  /** What is not sent yet of the document that was here goes its way by itself. */
  function leave() {
    clearTimeout(timer)
    if (shown && dirty() && !sending && state.value !== 'two versions') void once()
  }
  window.addEventListener('pagehide', leave)
  onScopeDispose(() => {
    window.removeEventListener('pagehide', leave)
    clearTimeout(timer)
    void send()
  })

  /** What others changed was read. */
  const seen = () => {
    joined.value = []
  }
  /** Sets what stands at a path; undefined takes it out. */
  const set = <P extends Path<State<K>>>(path: P, value: Under<State<K>, P> | undefined) => {
    if (doc.value !== undefined) change(put(plain(doc.value), path, value), path)
  }
  /** The same from a place on, a thing of a list. */
  const under = <B extends Path<State<K>>>(base: () => B) => ({
    set: <P extends Path<Under<State<K>, B>>>(path: P, value: Under<Under<State<K>, B>, P> | undefined) =>
      set(`${base()}${path}` as never, value as never),
    fault: (path: Path<Under<State<K>, B>>) => fault(`${base()}${path}`),
  })
  const get = (path: string) => at(doc.value, path)
  const fault = (path: string) => faults.value[path]
  return {
    kind,
    id: computed(opt.id),
    view,
    doc,
    error,
    state,
    wrong,
    faults,
    clash,
    joined,
    seen,
    saves,
    drafted,
    change,
    set,
    under,
    get,
    fault,
    send,
    settleClash,
    step,
    anew,
    refetch,
  }
}

export type OpenDocument = Pick<
  ReturnType<typeof useDocument<Kind>>,
  'kind' | 'id' | 'state' | 'wrong' | 'clash' | 'joined' | 'seen' | 'send' | 'settleClash' | 'step' | 'anew'
> & { view: { value: View<Kind> | undefined } }

const plain = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T
