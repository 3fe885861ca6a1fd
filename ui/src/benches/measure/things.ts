import { computed } from 'vue'
import { useFrames, useJob } from '@/api/queries'

/** The parts and frames of a job as choices, after what means none of them. */
export function useThings(job: () => string, none: string) {
  const { data: page } = useJob(job)
  const { data: frames } = useFrames(job)
  return computed(() => [
    { value: '', text: none },
    ...[...(page.value?.parts ?? []), ...(frames.value ?? [])].map((p) => ({ value: p.id, text: p.name })),
  ])
}
