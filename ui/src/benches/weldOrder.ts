// In which order something is welded, for the pictures of it: some runs at a time, so that they can be read.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, take } from '@/api/client'

type V = readonly number[]
const page = 8

/** The runs of a frame or a body as numbers at their places, asked for once they are to be shown. */
export function useWeldOrder(job: () => string, of: () => string, revision: () => number | undefined) {
  const shown = ref(false)
  const first = ref(0)
  watch(of, () => (first.value = 0))
  const { data: plan, error } = useQuery({
    queryKey: ['holding', 'weld-plan', job, of, revision],
    queryFn: () => take(api.GET('/api/v1/jobs/{id}/weld-plan', { params: { path: { id: job() }, query: { of: of() } } })),
    enabled: () => shown.value && !!of(),
  })
  const order = computed(() => plan.value?.order?.hand ?? plan.value?.order?.best)
  const many = computed(() => order.value?.runs.length ?? 0)
  const from = computed(() => Math.min(first.value, Math.max(0, many.value - 1)))
  const to = computed(() => Math.min(from.value + page, many.value))
  const runs = computed(() => (shown.value ? (order.value?.runs.slice(from.value, to.value) ?? []) : []))
  const numbers = computed(() =>
    runs.value.map((r, i) => ({
      at: r.from.map((v, k) => (v + r.to[k]!) / 2) as V,
      text: `${from.value + i + 1}`,
    })),
  )
  const lines = computed(() => runs.value.map((r) => [r.from as V, r.to as V]))
  const says = computed(() => {
    if (!shown.value) return ''
    if (error.value) return 'The order cannot be worked out now.'
    if (!plan.value) return 'Putting its runs in order.'
    return plan.value.order ? plan.value.gain : (plan.value.why ?? '')
  })
  const turn = (by: number) => (first.value = Math.min(Math.max(0, from.value + by * page), Math.max(0, many.value - 1)))
  const show = () => (shown.value = !shown.value)
  return { shown, show, numbers, lines, says, many, from, to, turn }
}
