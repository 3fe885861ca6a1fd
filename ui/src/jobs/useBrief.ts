// The brief of one job as edited here.
import { computed, watch } from 'vue'
import { queryClient, refreshJobs, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { useDocument } from '@/documents/useDocument'
import { provideInches } from '@/kit/amounts'

export function useBrief(job: () => string) {
  const { data: page, error: away } = useJob(job)
  const rail = useRail()
  const open = useDocument('brief', {
    id: job,
    after() {
      void queryClient.invalidateQueries({ queryKey: ['holding'] })
      void queryClient.invalidateQueries({ queryKey: ['survey'] })
      refreshJobs()
    },
  })
  watch(
    page,
    (p) => {
      if (!p) return
      rail.job = p.job.id
      rail.jobName = p.job.brief.name
      if (!p.parts.some((x) => x.id === rail.part)) rail.part = ''
    },
    { immediate: true },
  )
  const brief = open.doc
  const error = computed(() => open.error.value ?? away.value)
  const style = computed(() => ({ unit: brief.value?.unit ?? ('mm' as const), grain: brief.value?.grain ?? 1 }))
  provideInches(() => style.value.unit !== 'mm')
  return { ...open, page, error, brief, style }
}

export type OpenBrief = ReturnType<typeof useBrief>
