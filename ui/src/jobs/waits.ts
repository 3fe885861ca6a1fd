// What waits in each job of a list: asked one after the other, for each is worked out.
import { type Ref, onUnmounted, reactive, watch } from 'vue'
import { api, type JobView, take, type Waits } from '@/api/client'

export function useWaits(jobs: Ref<JobView[] | undefined>) {
  const known = reactive(new Map<string, { of: string; waits: Waits }>())
  let round = 0
  async function ask(list: JobView[]) {
    const mine = ++round
    for (const j of list) {
      if (known.get(j.id)?.of === j.updated) continue
      try {
        const waits = await take(api.GET('/api/v1/jobs/{id}/waits', { params: { path: { id: j.id } } }))
        known.set(j.id, { of: j.updated, waits })
      } catch {
        known.delete(j.id) // not said is better than said of the state before
      }
      if (mine !== round) return
    }
  }
  watch(jobs, (list) => list && void ask(list), { immediate: true })
  onUnmounted(() => round++)
  return (id: string) => known.get(id)?.waits
}

/** How urgently a job waits: what is over before what cannot be said before what is to be measured. */
export const urgency = (w: Waits | undefined) =>
  w ? 1e6 * (w.over.length + w.stops.length + w.close.length) + 1e3 * w.cannotSay.length + w.measure.length + w.first.length : -1
