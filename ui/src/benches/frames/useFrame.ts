// One frame as edited here, with what the server works out of it.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, type FramePage, type FrameState, take, words } from '@/api/client'
import { queryClient, refreshJobs, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { useKept } from '@/jobs/useKept'
import { provideInstruments } from '@/kit/instruments'
import { provideInches } from '@/kit/amounts'

export function useFrame(job: () => string, id: () => string) {
  const rail = useRail()
  const { data: page } = useJob(job)
  const {
    data: got,
    error,
    refetch,
  } = useQuery({
    queryKey: ['frame', id],
    queryFn: () => take(api.GET('/api/v1/frames/{id}', { params: { path: { id: id() } } })),
    enabled: () => id() !== '',
    placeholderData: (before: FramePage | undefined) => (before?.id === id() ? before : undefined),
  })
  const answered = (answer: FramePage) => {
    queryClient.setQueryData(['frame', answer.id], answer)
    return answer
  }
  const kept = useKept<FrameState>({
    key: () => `warmanvil.frame.${id()}`,
    save: async (revision, doc, continues) =>
      answered(
        await take(
          api.PUT('/api/v1/frames/{id}', { params: { path: { id: id() }, header: { 'If-Match': String(revision) } }, body: { ...doc, continues } }),
        ),
      ),
    after: () => {
      void queryClient.invalidateQueries({ queryKey: ['frames'] })
      void queryClient.invalidateQueries({ queryKey: ['survey'] })
    },
    refetch,
    pause: 150, // the answer comes with the save: strength follows the hand
  })
  watch(got, (g) => g && kept.arrive(g.revision, g.state), { immediate: true })
  watch(
    page,
    (p) => {
      if (!p) return
      rail.job = p.job.id
      rail.jobName = p.job.brief.name
    },
    { immediate: true },
  )
  provideInstruments(() => undefined)
  const style = computed(() => ({ unit: page.value?.job.brief.unit ?? ('mm' as const), grain: page.value?.job.brief.grain ?? 1 }))
  provideInches(() => style.value.unit !== 'mm')
  const worked = computed(() => got.value?.worked)
  const chosen = ref('') // a member, point or plate, in list and drawing alike
  const choose = (which: string) => (chosen.value = which)
  const trouble = ref('')

  /** Undo or redo, after what is typed is saved. */
  async function step(way: 'undo' | 'redo') {
    trouble.value = ''
    if (kept.state.value !== 'saved') await kept.save()
    try {
      const path = { id: id() }
      const header = { 'If-Match': String(got.value!.revision) }
      answered(
        await take(
          way === 'undo'
            ? api.POST('/api/v1/frames/{id}/undo', { params: { path, header } })
            : api.POST('/api/v1/frames/{id}/redo', { params: { path, header } }),
        ),
      )
      refreshJobs()
    } catch (e) {
      trouble.value = words(e)
    }
  }
  const doc = computed(() => kept.doc.value?.frame)
  const set = (path: string, value: unknown) => kept.set(`/frame${path}`, value)
  const fault = (path: string) => kept.faults.value[`/frame${path}`]
  /** Points to choose from, copies left out. */
  const points = computed(() => [
    { value: '', text: 'choose a point' },
    ...(doc.value?.points ?? []).map((p) => ({ value: p.id, text: p.name || 'a point without a name' })),
  ])
  const members = computed(() => [
    { value: '', text: 'choose a member' },
    ...(doc.value?.members ?? []).map((m) => ({ value: m.id, text: m.name || 'a member without a name' })),
  ])
  return {
    ...kept,
    page,
    got,
    error,
    worked,
    style,
    doc,
    set,
    setHead: kept.set,
    fault,
    chosen,
    choose,
    trouble,
    step,
    points,
    members,
  }
}

export type OpenFrame = ReturnType<typeof useFrame>
