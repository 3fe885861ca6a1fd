// The brief of one job as edited here.
import { computed, watch } from 'vue'
import type { Brief } from '@/api/client'
import { queryClient, refreshJobs, saveJob, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { useKept } from './useKept'
import { provideInches } from '@/kit/amounts'

export type { SaveWord } from './useKept'

export function useBrief(job: () => string) {
  const { data: page, error, refetch } = useJob(job)
  const rail = useRail()
  const kept = useKept<Brief>({
    key: () => `warmanvil.brief.${job()}`,
    save: (revision, brief) => saveJob(job(), revision, brief, page.value?.job.archived ?? false),
    after() {
      void queryClient.invalidateQueries({ queryKey: ['holding'] })
      void queryClient.invalidateQueries({ queryKey: ['survey'] })
      refreshJobs()
    },
    refetch,
  })
  watch(
    page,
    (p) => {
      if (!p) return
      rail.job = p.job.id
      rail.jobName = p.job.brief.name
      if (!p.parts.some((x) => x.id === rail.part)) rail.part = ''
      kept.arrive(p.job.revision, p.job.brief)
    },
    { immediate: true },
  )
  const brief = kept.doc
  const style = computed(() => ({ unit: brief.value?.unit ?? ('mm' as const), grain: brief.value?.grain ?? 1 }))
  provideInches(() => style.value.unit !== 'mm')
  const fault = (path: string) => kept.faults.value[`/brief${path}`] ?? kept.faults.value[path]
  return { ...kept, page, error, brief, style, fault }
}

export type OpenBrief = ReturnType<typeof useBrief>
