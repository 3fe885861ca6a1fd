// The brief of one job as edited here: kept in this browser at once, saved a
// moment later, and never over what somebody else saved meanwhile.
import { computed, onScopeDispose, ref, watch } from 'vue'
import { type Brief, Refused, words } from '@/api/client'
import { put } from '@/api/pointer'
import { queryClient, refreshJobs, saveJob, useJob } from '@/api/queries'
import { useRail } from '@/device'

export type SaveWord = 'saved' | 'not saved yet' | 'saving' | 'waiting for the server' | 'not saved'
const pause = 500 // ms of quiet before a save
const key = (id: string) => `warmanvil.brief.${id}`

export function useBrief(job: () => string) {
  const { data: page, error, refetch } = useJob(job)
  const rail = useRail()
  const brief = ref<Brief>()
  const state = ref<SaveWord>('saved')
  const wrong = ref('')
  const faults = ref<Record<string, string>>({})
  const saves = ref(0)
  let revision = 0
  let shown = ''
  let timer: ReturnType<typeof setTimeout> | undefined

  watch(
    page,
    (p) => {
      if (!p) return
      rail.job = p.job.id
      rail.jobName = p.job.brief.name
      if (!p.parts.some((x) => x.id === rail.part)) rail.part = ''
      const kept = shown === p.job.id ? null : localStorage.getItem(key(p.job.id))
      if (kept) {
        shown = p.job.id
        const unsent = JSON.parse(kept) as { revision: number; brief: Brief }
        brief.value = unsent.brief
        revision = unsent.revision
        schedule()
      } else if (state.value === 'saved' || shown !== p.job.id) {
        shown = p.job.id
        brief.value = p.job.brief
        revision = p.job.revision
        state.value = 'saved'
      }
    },
    { immediate: true },
  )

  function change(next: Brief) {
    brief.value = next
    keep()
    schedule()
  }
  function keep() {
    localStorage.setItem(key(job()), JSON.stringify({ revision, brief: brief.value }))
  }
  function schedule(after = pause) {
    state.value = 'not saved yet'
    clearTimeout(timer)
    timer = setTimeout(() => void save(), after)
  }
  async function save() {
    clearTimeout(timer)
    if (!brief.value || !page.value) return
    const id = job()
    const sent = JSON.stringify(brief.value)
    state.value = 'saving'
    try {
      const got = await saveJob(id, revision, brief.value, page.value.job.archived)
      revision = got.revision
      wrong.value = ''
      faults.value = {}
      if (JSON.stringify(brief.value) === sent) {
        localStorage.removeItem(key(id))
        state.value = 'saved'
      } else {
        keep()
        schedule()
      }
      saves.value++
      void queryClient.invalidateQueries({ queryKey: ['holding'] })
      refreshJobs()
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
    localStorage.removeItem(key(job()))
    state.value = 'saved'
    wrong.value = ''
    faults.value = {}
    await refetch()
  }
  onScopeDispose(() => {
    if (state.value === 'not saved yet') void save()
  })

  const set = (path: string, value: unknown) => brief.value && change(put(plain(brief.value), path, value))
  const style = computed(() => ({ unit: brief.value?.unit ?? ('mm' as const), grain: brief.value?.grain ?? 1 }))
  const fault = (path: string) => faults.value[`/brief${path}`] ?? faults.value[path]
  return { page, error, brief, state, wrong, faults, saves, set, change, save, anew, style, fault }
}

export type OpenBrief = ReturnType<typeof useBrief>

const plain = <T>(v: T): T => JSON.parse(JSON.stringify(v)) as T
