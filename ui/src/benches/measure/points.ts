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

export const faces = [
  { value: 'front' as const, text: 'forward' },
  { value: 'rear' as const, text: 'rearward' },
  { value: 'left' as const, text: 'to the left' },
  { value: 'right' as const, text: 'to the right' },
  { value: 'up' as const, text: 'up' },
  { value: 'down' as const, text: 'down' },
]

export const tapes = [
  { value: 'centre' as const, text: 'centre to centre' },
  { value: 'inside' as const, text: 'near edge to near edge' },
  { value: 'outside' as const, text: 'far edge to far edge' },
  { value: 'sameEdge' as const, text: 'same edge to same edge' },
]
