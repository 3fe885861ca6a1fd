import { computed } from 'vue'
import type { OpenSurvey } from '@/jobs/useSurvey'

/** Points and maps' holes to choose from. */
export function usePoints(open: OpenSurvey, none = 'choose a point', except: () => string = () => '') {
  return computed(() => [
    { value: '', text: none },
    ...(open.worked.value?.points ?? [])
      .filter((p) => p.id !== except())
      .map((p) => ({ value: p.id, text: p.name || 'a point without a name' })),
  ])
}
