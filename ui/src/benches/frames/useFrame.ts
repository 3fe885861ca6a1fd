// One frame as edited here, with what the server works out of it.
import { computed, ref, watch } from 'vue'
import { queryClient, refreshJobs, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { useDocument } from '@/documents/useDocument'
import { provideInches } from '@/kit/amounts'
import { provideInstruments } from '@/kit/instruments'

export function useFrame(job: () => string, id: () => string) {
  const rail = useRail()
  const { data: page } = useJob(job)
  const open = useDocument('frame', {
    id,
    after: (got) => {
      void queryClient.invalidateQueries({ queryKey: ['frames'] })
      void queryClient.invalidateQueries({ queryKey: ['survey'] })
      if (got.state.name !== named(got.id)) refreshJobs()
    },
    pause: 150, // the answer comes with the save: strength follows the hand
  })
  const named = (frame: string) => page.value?.frames.find((f) => f.id === frame)?.name
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
  const worked = computed(() => open.view.value?.worked)
  const chosen = ref('') // a member, point or plate, in list and drawing alike
  const choose = (which: string) => (chosen.value = which)
  const head = open.doc
  const doc = computed(() => head.value?.frame)
  const { set, fault } = open.under(() => '/frame' as const)
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
    ...open,
    page,
    head,
    worked,
    style,
    doc,
    set,
    setHead: open.set,
    fault,
    chosen,
    choose,
    points,
    members,
  }
}

export type OpenFrame = ReturnType<typeof useFrame>
