// The shop as edited here: its machines and people, asked by every job.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/api/client'
import { queryClient, refreshJobs } from '@/api/queries'
import { useDocument } from '@/documents/useDocument'
import { usualGrain } from '@/jobs/starter'
import { provideInches } from '@/kit/amounts'

/** The installation has one. */
const only = 'shop'

/** beside: on a page that says amounts its own way. */
export function useShop(beside = false) {
  const open = useDocument('shop', {
    id: () => only,
    after() {
      void queryClient.invalidateQueries({ queryKey: ['holding'] })
      void queryClient.invalidateQueries({ queryKey: ['shop-effects'] })
      refreshJobs()
    },
  })
  const { data: table } = useQuery({
    queryKey: ['shop-kinds'],
    queryFn: () => take(api.GET('/api/v1/shop/kinds', {})),
    staleTime: Infinity,
  })
  const shop = open.doc
  const unit = computed(() => shop.value?.unit ?? 'mm')
  const style = computed(() => ({ unit: unit.value, grain: usualGrain(unit.value) }))
  const inch = computed(() => unit.value !== 'mm')
  if (!beside) provideInches(() => inch.value)
  const kinds = computed(() => table.value?.kinds ?? [])
  const bendTools = computed(() => (inch.value ? table.value?.inch : table.value?.metric) ?? [])
  const rates = computed(() => table.value?.rates ?? [])
  const rules = computed(() => table.value?.rules ?? [])
  return { ...open, shop, style, inch, kinds, bendTools, rules, rates }
}

export type OpenShop = ReturnType<typeof useShop>
