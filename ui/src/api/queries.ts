import { QueryClient, useMutation, useQuery } from '@tanstack/vue-query'
import { computed, type MaybeRefOrGetter, toValue } from 'vue'
import { api, type Brief, Refused, take } from './client'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: { retry: (n, e) => n < 1 && !(e instanceof Refused && e.status >= 400 && e.status < 500), staleTime: 2_000 },
  },
})

export function useJobs(archived: MaybeRefOrGetter<boolean>) {
  return useQuery({
    queryKey: ['jobs', archived],
    queryFn: () => take(api.GET('/api/v1/jobs', { params: { query: { archived: toValue(archived) ? 'true' : 'false' } } })),
  })
}

export function useJob(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['job', id],
    queryFn: () => take(api.GET('/api/v1/jobs/{id}', { params: { path: { id: toValue(id) } } })),
    enabled: () => toValue(id) !== '',
  })
}

/** The tables, with the shop's own metals before those of the table. */
export function useStock() {
  const table = useQuery({ queryKey: ['stock'], queryFn: () => take(api.GET('/api/v1/stock', {})), staleTime: Infinity })
  const shop = useShopSaid()
  const data = computed(
    () =>
      table.data.value && {
        ...table.data.value,
        materials: [...(shop.data.value?.materials ?? []), ...table.data.value.materials],
      },
  )
  return { ...table, data }
}

export function useHolding(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['holding', id],
    queryFn: () => take(api.GET('/api/v1/jobs/{id}/holding', { params: { path: { id: toValue(id) } } })),
    enabled: () => toValue(id) !== '',
    placeholderData: (before) => before, // numbers stay while the new ones are worked out
  })
}

export function useWhole(id: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['holding', id, 'whole'], // anew with what is said of strength
    queryFn: () => take(api.GET('/api/v1/jobs/{id}/whole', { params: { path: { id: toValue(id) } } })),
    enabled: () => toValue(id) !== '',
    placeholderData: (before) => before,
  })
}

export function usePartStarters() {
  return useQuery({
    queryKey: ['part-starters'],
    queryFn: () => take(api.GET('/api/v1/part-starters', {})),
    staleTime: Infinity,
  })
}

/** Sections as sold, the shop's own before them. */
export function useSections() {
  const table = useQuery({ queryKey: ['sections'], queryFn: () => take(api.GET('/api/v1/sections', {})), staleTime: Infinity })
  const shop = useShopSaid()
  const data = computed(() => {
    const own = (shop.data.value?.sections ?? []).map((s) => ({ ...s, real: undefined, own: true }))
    return (
      table.data.value && {
        ...table.data.value,
        sections: [...own, ...table.data.value.sections.map((s) => ({ ...s, own: false }))],
      }
    )
  })
  return { ...table, data }
}

/** The shop as it stands, where it is only read. */
export function useShopSaid() {
  return useQuery({ queryKey: ['shop', 'shop'], queryFn: () => take(api.GET('/api/v1/shop', {})) })
}

export function useFrames(job: MaybeRefOrGetter<string>) {
  return useQuery({
    queryKey: ['frames', job],
    queryFn: () => take(api.GET('/api/v1/jobs/{id}/frames', { params: { path: { id: toValue(job) } } })),
    enabled: () => toValue(job) !== '',
    placeholderData: (before) => before,
  })
}

export function refreshJobs() {
  void queryClient.invalidateQueries({ queryKey: ['frames'] })
  void queryClient.invalidateQueries({ queryKey: ['holding'] })
  void queryClient.invalidateQueries({ queryKey: ['survey'] })
  void queryClient.invalidateQueries({ queryKey: ['jobs'] })
  void queryClient.invalidateQueries({ queryKey: ['job'] })
}

export function useCreateJob() {
  return useMutation({ mutationFn: (brief: Brief) => take(api.POST('/api/v1/jobs', { body: brief })), onSuccess: refreshJobs })
}

export function archiveJob(id: string, archived: boolean) {
  return take(api.POST('/api/v1/jobs/{id}/archive', { params: { path: { id } }, body: { archived } }))
}
