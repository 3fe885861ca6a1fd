// One faceted body as edited here, with what the server works out of it.
import { computed, ref, shallowRef, watch } from 'vue'
import { api, take } from '@/api/client'
import type { components } from '@/api/schema'
import { queryClient, refreshJobs, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { useDocument } from '@/documents/useDocument'
import { provideInches } from '@/kit/amounts'

type S = components['schemas']
export type FacetPoint = S['FacetPoint']
export type FacetPanel = S['FacetPanel']
export type FacetSeam = S['FacetSeam']
export type FacetFit = S['FacetFit']
export type FacetEdge = S['FacetEdgeTold']
export type FacetBlank = S['FacetBlankTold']

export function useBody(job: () => string, id: () => string) {
  const rail = useRail()
  const { data: page } = useJob(job)
  const named = (body: string) => page.value?.bodies.find((f) => f.id === body)?.name
  const open = useDocument('facets', {
    id,
    after: (got) => {
      void queryClient.invalidateQueries({ queryKey: ['survey'] })
      if (got.state.name !== named(got.id)) refreshJobs()
    },
    pause: 900,
    drawn: () => void work(),
  })
  // What follows from it as it stands is asked for at every change; keeping goes on beside that.
  type Worked = S['FacetsTold']
  const live = shallowRef<{ of: string; told: Worked }>()
  let turn = 0
  let latest = 0
  async function work() {
    const state = open.doc.value
    if (!state || !open.view.value) return
    const mine = ++turn
    const of = id()
    try {
      const told = await take(api.POST('/api/v1/facets/{id}/work', { params: { path: { id: of } }, body: state }))
      if (mine < latest || of !== id()) return // a newer one is out already
      latest = mine
      live.value = { of, told }
    } catch {
      // It cannot be kept as it stands either: the save says why, at its place.
    }
  }
  watch(
    page,
    (p) => {
      if (!p) return
      rail.job = p.job.id
      rail.jobName = p.job.brief.name
    },
    { immediate: true },
  )
  const style = computed(() => ({ unit: page.value?.job.brief.unit ?? ('mm' as const), grain: page.value?.job.brief.grain ?? 1 }))
  provideInches(() => style.value.unit !== 'mm')
  watch(
    () => open.view.value, // kept: its parts may have changed with it
    () => void work(),
  )
  const worked = computed(() => (live.value?.of === id() ? live.value.told : open.view.value?.worked))
  const chosen = ref('') // a panel or point, in list and drawing alike
  const choose = (which: string) => (chosen.value = which)
  const doc = computed(() => open.doc.value?.body)
  const { set, fault } = open.under(() => '/body' as const)
  /** What a point is called. */
  const called = (point: string) => {
    const i = doc.value?.points?.findIndex((p) => p.id === point) ?? -1
    return i < 0 ? 'a point that is gone' : doc.value!.points![i]!.name || `point ${i + 1}`
  }
  const panel = (which: string) => {
    const i = doc.value?.panels?.findIndex((p) => p.id === which) ?? -1
    return i < 0 ? '' : doc.value!.panels![i]!.name || `Panel ${i + 1}`
  }
  /** How the edge between two points is made, said or as usual. */
  const seamAt = (a: string, b: string) =>
    doc.value?.seams?.findIndex((s) => (s.a === a && s.b === b) || (s.a === b && s.b === a)) ?? -1
  function setSeam(a: string, b: string, more: Partial<FacetSeam>) {
    const i = seamAt(a, b)
    const list = doc.value?.seams ?? []
    const next: FacetSeam = { a, b, kind: 'corner', ...list[i], ...more }
    const plain = next.kind === 'corner' && !next.blend
    set('/seams', i < 0 ? (plain ? list : [...list, next]) : plain ? list.filter((_, k) => k !== i) : list.with(i, next))
  }
  /** Puts a point where the survey now has the one it was taken over from. */
  function takeAgain(point: string) {
    const i = doc.value?.points?.findIndex((p) => p.id === point) ?? -1
    const now = worked.value?.points.find((p) => p.id === point)?.now
    if (i < 0 || !now) return
    const [x, y, z] = now as [number, number, number]
    set(`/points/${i}`, { ...doc.value!.points![i]!, x, y, z })
  }
  return {
    ...open,
    takeAgain,
    page,
    head: open.doc,
    setHead: open.set,
    worked,
    style,
    doc,
    set,
    fault,
    chosen,
    choose,
    called,
    panel,
    seamAt,
    setSeam,
  }
}

export type OpenBody = ReturnType<typeof useBody>
