// The survey of one job as edited here, with what the server works out of it.
import { useQuery } from '@tanstack/vue-query'
import { computed, watch } from 'vue'
import { api, type Survey, type Surveyed, take } from '@/api/client'
import { queryClient, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { provideInstruments } from '@/kit/instruments'
import { useKept } from './useKept'
import { provideInches } from '@/kit/amounts'

export function useSurveyed(job: () => string) {
  return useQuery({
    queryKey: ['survey', job],
    queryFn: () => take(api.GET('/api/v1/jobs/{id}/survey', { params: { path: { id: job() } } })),
    enabled: () => job() !== '',
    placeholderData: (before) => before, // numbers stay while the new ones are worked out
  })
}

export function useSurvey(job: () => string) {
  const { data: page } = useJob(job)
  const { data: got, error, refetch } = useSurveyed(job)
  const rail = useRail()
  const kept = useKept<Survey>({
    key: () => `warmanvil.survey.${job()}`,
    async save(revision, survey) {
      const answer = await take(
        api.PUT('/api/v1/jobs/{id}/survey', {
          params: { path: { id: job() }, header: { 'If-Match': String(revision) } },
          body: survey,
        }),
      )
      queryClient.setQueryData(['survey', job()], answer)
      return answer
    },
    after: () => void queryClient.invalidateQueries({ queryKey: ['jobs'] }),
    refetch,
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
  watch(got, (g) => g && kept.arrive(g.revision, g.survey), { immediate: true })
  const survey = kept.doc
  const worked = computed<Surveyed | undefined>(() => got.value?.worked)
  provideInstruments(() => worked.value?.tools)
  const style = computed(() => ({ unit: page.value?.job.brief.unit ?? ('mm' as const), grain: page.value?.job.brief.grain ?? 1 }))
  provideInches(() => style.value.unit !== 'mm')
  const fault = (path: string) => kept.faults.value[path]
  return { ...kept, page, error, survey, worked, style, fault, refetch }
}

export type OpenSurvey = ReturnType<typeof useSurvey>
