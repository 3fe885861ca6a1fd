// One part on the bench: its recipe as edited here and what the server says about it.
// Every change is drawn at once; keeping and saving are those of every document.
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import {
  api,
  askAgain,
  type Body,
  type BuildRequest,
  type Fix,
  type Part,
  type Subject,
  type Survey,
  Refused,
  take,
  words,
} from '@/api/client'
import { at, put } from '@/api/pointer'
import { queryClient, refreshJobs } from '@/api/queries'
import { pause } from '@/body/pace'
import type { State as StateOf } from '@/documents/reach'
import { useDocument } from '@/documents/useDocument'
import { afterFrame } from '@/kit/afterFrame'
import type { BuildStyle } from '@/kit/readLength'

export type State = StateOf<'part'>

const quiet = 900 // ms before a save
const rest = 350 // ms without a change before fixes are tried

export function usePart(id: string, style: () => BuildStyle) {
  const open = useDocument('part', { id: () => id, pause: quiet, after: doubt, drawn: () => void drawn() })
  const { view, doc: state } = open
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
      failed(mine, e)
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
      failed(mine, e)
    }
  }

  function failed(mine: number, e: unknown) {
    if (mine === turn) trouble.value = words(e)
    askAgain(e, () => mine === turn, build)
  }

  const trouble = ref('')
  const faults = ref<{ path: string; message: string }[]>([])
  const mirrored = ref(false)
  const sections = ref(false) // whether the folded part is looked at cut
  let turn = 0
  let latest = 0

  /** What is asked of the server: the part as it stands, in the job's units. */
  const asked = (): BuildRequest => ({
    recipe: state.value!.recipe,
    ...style(),
    mirrored: mirrored.value,
    quantity: state.value!.quantity,
    part: id,
    sections: sections.value || undefined,
  })
  async function build() {
    if (!state.value) return
    const mine = ++turn
    try {
      const request = asked()
      const got = await take(api.POST('/api/v1/build', { body: request }))
      if (mine < latest) return // a newer drawing is out already
      latest = mine
      built.value = got
      foldSoon(mine, request)
      fixSoon(mine, request)
      faults.value = []
      trouble.value = ''
    } catch (e) {
      if (mine < latest) return
      faults.value = e instanceof Refused ? (e.problem?.errors ?? []) : []
      trouble.value = words(e)
      askAgain(e, () => mine === turn, build)
    }
  }

  /** The working of a number there are many of, made when asked for. */
  const explain = (subject: Subject) =>
    take(
      api.POST('/api/v1/working', {
        body: { part: { recipe: state.value!.recipe, ...style(), mirrored: mirrored.value }, subject },
      }),
    )

  let first = true
  /** Asked before anything is kept: keeping goes on while the server builds. */
  async function drawn() {
    const once = first
    first = false
    await build()
    if (!once || !open.drafted.value || built.value) return
    // What was kept here is refused as a whole: it is put aside, not thrown away.
    const why = trouble.value
    localStorage.setItem(`warmanvil.part.${id}.refused`, JSON.stringify(state.value))
    await open.anew()
    await build()
    trouble.value = `A change kept in this browser was refused and put aside: ${why}`
  }

  function change(next: Partial<State>, path?: string) {
    if (!state.value) return
    open.change({ ...state.value, ...next }, path ?? (next.recipe ? '' : Object.keys(next).join()))
  }

  /** What the survey says of it may be out of date; asked anew at once only where its holes follow something. */
  function doubt() {
    const known = queryClient.getQueryData<{ state: Survey }>(['survey', view.value?.jobId])
    const followed = known?.state.follows?.some((f) => f.part === id)
    void queryClient.invalidateQueries({ queryKey: ['survey'], refetchType: followed ? 'active' : 'none' })
  }

  const recipe = computed(() => state.value?.recipe)
  const set = (path: string, value: unknown) =>
    state.value && change({ recipe: put(plain(state.value.recipe), path, value) }, path)
  const get = (path: string) => at(state.value?.recipe, path)
  function apply(fix: Fix) {
    let r = plain(state.value!.recipe)
    for (const e of fix.edits) r = put(r, e.path, e.value ?? undefined)
    change({ recipe: r })
  }

  onScopeDispose(() => {
    clearTimeout(folding)
    clearTimeout(trying)
    void open.send().then(refreshJobs)
  })

  return {
    ...open,
    recipe,
    built,
    body,
    told,
    trouble,
    faults,
    mirrored,
    sections,
    asked,
    build,
    explain,
    change,
    set,
    get,
    apply,
  }
}

export type OpenPart = ReturnType<typeof usePart>

const plain = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T
