// One part on the bench: its recipe as edited here, what the server says about
// it, and its saving. Every change is drawn at once, kept in this browser at
// once, and saved a moment later; a save that meets somebody else's is a
// conflict with both versions, never an overwrite.
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import {
  api,
  type Body,
  type BuildRequest,
  type Fix,
  type Part,
  type PartView,
  type Recipe,
  type Subject,
  type Survey,
  Refused,
  take,
  words,
} from '@/api/client'
import { at, put } from '@/api/pointer'
import { pause } from '@/body/pace'
import { afterFrame } from '@/kit/afterFrame'
import { useEntry } from '@/kit/entry'
import { queryClient, refreshJobs } from '@/api/queries'
import type { BuildStyle } from '@/kit/readLength'

export type State = { name: string; quantity: number; recipe: Recipe }
export type SaveState = 'saved' | 'saving' | 'typing' | 'waiting' | 'conflict' | 'refused'

const quiet = 900 // ms before a save
const rest = 350 // ms without a change before fixes are tried
const key = (id: string) => `warmanvil.unsent.${id}`

export function usePart(id: string, style: () => BuildStyle) {
  const view = shallowRef<PartView>()
  const state = shallowRef<State>()
  const built = shallowRef<Part>()
  // The folded body is asked for when the flat pattern stands, with the flags on it.
  const body = shallowRef<{ shape: Body; findings: Part['findings'] }>()
  let folding: ReturnType<typeof setTimeout> | undefined
  function foldSoon(mine: number, request: BuildRequest) {
    clearTimeout(folding)
    if (!body.value) void fold(mine, request)
    else folding = setTimeout(() => afterFrame(() => void fold(mine, request)), pause())
  }
  async function fold(mine: number, request: BuildRequest) {
    if (mine < turn) return // a newer one is on its way
    try {
      const shape = await take(api.POST('/api/v1/body', { body: request }))
      if (mine === turn) body.value = { shape, findings: built.value?.findings ?? [] }
    } catch (e) {
      if (mine === turn) trouble.value = words(e)
    }
  }
  // What is told in words and tables comes one frame after the drawing.
  const told = shallowRef<Part>()
  watch(built, (b) => {
    if (!told.value) told.value = b
    else afterFrame(() => (told.value = built.value))
  })
  // Fixes are tried before they are told, which takes many builds: after a rest.
  let trying: ReturnType<typeof setTimeout> | undefined
  function fixSoon(mine: number, request: BuildRequest) {
    clearTimeout(trying)
    trying = setTimeout(() => void tryFixes(mine, request), rest)
  }
  async function tryFixes(mine: number, request: BuildRequest) {
    try {
      const { findings } = await take(api.POST('/api/v1/fixes', { body: request }))
      if (mine === turn && built.value) told.value = { ...built.value, findings }
    } catch (e) {
      if (mine === turn) trouble.value = words(e)
    }
  }
  const save = ref<SaveState>('saved')
  const trouble = ref('')
  const faults = ref<{ path: string; message: string }[]>([])
  const theirs = shallowRef<PartView>()
  const mirrored = ref(false)
  const sections = ref(false) // whether the folded part is looked at cut
  let timer: ReturnType<typeof setTimeout> | undefined
  let turn = 0
  let drawn = 0
  let sending: Promise<void> | undefined

  let synced = '' // the state the server has, as this page would write it
  const written = () => JSON.stringify(state.value)
  const dirty = () => !!state.value && written() !== synced

  async function load() {
    const got = await take(api.GET('/api/v1/parts/{id}', { params: { path: { id } } }))
    settle(got)
    state.value = stateOf(got)
    synced = written()
    const kept = localStorage.getItem(key(id))
    if (kept) {
      const unsent = JSON.parse(kept) as { revision: number; state: State }
      state.value = unsent.state
      if (unsent.revision === got.revision) schedule()
      else if (dirty()) {
        theirs.value = got
        save.value = 'conflict'
      }
    }
    await build()
    if (kept && !built.value) {
      // What was kept here is refused as a whole: it is put aside, not thrown away.
      const why = trouble.value
      localStorage.setItem(`${key(id)}.refused`, kept)
      clearTimeout(timer)
      adopt(got)
      doubt()
      await build()
      trouble.value = `A change kept in this browser was refused and put aside: ${why}`
    }
  }

  async function build() {
    if (!state.value) return
    const mine = ++turn
    try {
      const request: BuildRequest = {
        recipe: state.value.recipe,
        ...style(),
        mirrored: mirrored.value,
        quantity: state.value.quantity,
        part: id,
        sections: sections.value || undefined,
      }
      const got = await take(api.POST('/api/v1/build', { body: request }))
      if (mine < drawn) return // a newer drawing is out already
      drawn = mine
      built.value = got
      foldSoon(mine, request)
      fixSoon(mine, request)
      faults.value = []
      trouble.value = ''
    } catch (e) {
      if (mine < drawn) return
      faults.value = e instanceof Refused ? (e.problem?.errors ?? []) : []
      trouble.value = words(e)
    }
  }

  /** The working of a number there are many of, made when asked for. */
  const explain = (subject: Subject) =>
    take(
      api.POST('/api/v1/working', {
        body: { part: { recipe: state.value!.recipe, ...style(), mirrored: mirrored.value }, subject },
      }),
    )

  const entry = useEntry()
  function change(next: Partial<State>, path?: string) {
    if (!state.value) return
    entry.touch(path ?? (next.recipe ? '' : Object.keys(next).join()))
    state.value = { ...state.value, ...next }
    void build() // asked first: keeping goes on while the server builds
    keep()
    schedule()
  }

  function keep() {
    if (dirty()) localStorage.setItem(key(id), JSON.stringify({ revision: view.value!.revision, state: state.value }))
    else localStorage.removeItem(key(id))
  }

  function schedule(after = quiet) {
    if (save.value === 'conflict') return
    save.value = 'typing'
    clearTimeout(timer)
    timer = setTimeout(() => void send(), after)
  }

  async function send(): Promise<void> {
    clearTimeout(timer)
    while (sending) await sending
    if (!dirty() || save.value === 'conflict') {
      if (save.value === 'typing') save.value = 'saved'
      return
    }
    sending = once().finally(() => (sending = undefined))
    await sending
  }

  async function once() {
    save.value = 'saving'
    const sent = written()
    const body = { ...(JSON.parse(sent) as State), continues: entry.goesOn() }
    try {
      const got = await take(
        api.PUT('/api/v1/parts/{id}', { params: { path: { id }, header: { 'If-Match': String(view.value!.revision) } }, body }),
      )
      settle(got)
      synced = sent
      doubt()
      keep()
      if (dirty()) schedule()
    } catch (e) {
      if (e instanceof Refused && e.status === 412 && e.problem?.current) {
        theirs.value = e.problem.current
        save.value = 'conflict'
      } else if (e instanceof Refused && (e.status === 422 || e.status === 403)) {
        save.value = 'refused'
        trouble.value = words(e)
      } else {
        save.value = 'waiting' // kept in this browser; tried again by itself
        timer = setTimeout(() => void send(), 3000)
      }
    }
  }

  /** Puts the other version in place; mine becomes a part of its own first. */
  async function takeTheirs() {
    const mine = state.value!
    await take(
      api.POST('/api/v1/jobs/{id}/parts', {
        params: { path: { id: view.value!.jobId } },
        body: { ...mine, name: `${mine.name} (my version)`.slice(0, 120) },
      }),
    )
    adopt(theirs.value!)
    theirs.value = undefined
    await build()
  }

  /** Saves mine on top; theirs stays as a revision. */
  async function keepMine() {
    settle(theirs.value!)
    synced = JSON.stringify(stateOf(theirs.value!))
    theirs.value = undefined
    keep()
    await send()
  }

  /** What the survey says of it may be out of date; asked anew at once only where its holes follow something. */
  function doubt() {
    const known = queryClient.getQueryData<{ survey: Survey }>(['survey', view.value!.jobId])
    const followed = known?.survey.follows?.some((f) => f.part === id)
    void queryClient.invalidateQueries({ queryKey: ['survey'], refetchType: followed ? 'active' : 'none' })
  }
  function settle(v: PartView) {
    view.value = v
    save.value = 'saved'
  }
  function adopt(v: PartView) {
    settle(v)
    state.value = stateOf(v)
    synced = written()
    keep()
  }

  async function step(way: 'undo' | 'redo') {
    await send()
    if (save.value !== 'saved') return
    try {
      const header = { 'If-Match': String(view.value!.revision) }
      const got = await take(api.POST(`/api/v1/parts/{id}/${way}`, { params: { path: { id }, header } }))
      adopt(got)
      doubt()
      await build()
    } catch (e) {
      trouble.value = words(e)
    }
  }

  const recipe = computed(() => state.value?.recipe)
  const set = (path: string, value: unknown) => state.value && change({ recipe: put(plain(state.value.recipe), path, value) }, path)
  const get = (path: string) => at(state.value?.recipe, path)
  function apply(fix: Fix) {
    let r = plain(state.value!.recipe)
    for (const e of fix.edits) r = put(r, e.path, e.value ?? undefined)
    change({ recipe: r })
  }

  // What is unsent is kept in this browser, so the page may go without asking.
  const leave = () => void send()
  window.addEventListener('pagehide', leave)
  onScopeDispose(() => {
    window.removeEventListener('pagehide', leave)
    clearTimeout(folding)
    clearTimeout(trying)
    void send().then(refreshJobs)
  })

  return {
    view,
    state,
    recipe,
    built,
    body,
    told,
    save,
    trouble,
    faults,
    theirs,
    mirrored,
    sections,
    load,
    build,
    explain,
    change,
    set,
    get,
    apply,
    send,
    step,
    takeTheirs,
    keepMine,
  }
}

export type OpenPart = ReturnType<typeof usePart>

const plain = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T

function stateOf(v: PartView): State {
  return plain({ name: v.name, quantity: v.quantity, recipe: v.recipe })
}
