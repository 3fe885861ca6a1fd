// The survey of one job as edited here, with what the server works out of it.
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import type { Surveyed } from '@/api/client'
import { queryClient, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { reach } from '@/documents/reach'
import { useDocument } from '@/documents/useDocument'
import { provideInches } from '@/kit/amounts'
import { provideInstruments } from '@/kit/instruments'

/** The survey as it stands, only to look at. */
export function useSurveyed(job: () => string) {
  return useQuery({
    queryKey: ['survey', job],
    queryFn: () => reach('survey').get(job()),
    enabled: () => job() !== '',
    placeholderData: (before) => before, // numbers stay while the new ones are worked out
  })
}

export function useSurvey(job: () => string) {
  const { data: page } = useJob(job)
  const rail = useRail()
  const open = useDocument('survey', {
    id: job,
    after: () => void queryClient.invalidateQueries({ queryKey: ['jobs'] }),
  })
  watch(
    page,
    (p) => {
      if (!p) return
      rail.job = p.job.id
      rail.jobName = p.job.brief.name
    },
    { immediate: true },
  )
  const survey = open.doc
  const worked = computed<Surveyed | undefined>(() => open.view.value?.worked)
  provideInstruments(() => worked.value?.tools)
  const style = computed(() => ({ unit: page.value?.job.brief.unit ?? ('mm' as const), grain: page.value?.job.brief.grain ?? 1 }))
  provideInches(() => style.value.unit !== 'mm')
  return { ...open, page, survey, worked, style }
}

export type OpenSurvey = ReturnType<typeof useSurvey>
