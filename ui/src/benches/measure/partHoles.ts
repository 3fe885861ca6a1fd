import { useQueries } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/api/client'
import { reach } from '@/documents/reach'

/** Single holes of parts and their panels, by part id, to choose from. */
export function usePartHoles(ids: () => string[]) {
  const asked = computed(() => [...new Set(ids().filter(Boolean))])
  const got = useQueries({
    queries: computed(() =>
      asked.value.map((id) => ({
        queryKey: ['partHoles', id],
        queryFn: async () => {
          const { state } = await reach('part').get(id)
          const b = await take(api.POST('/api/v1/build', { body: { unit: 'mm', grain: 1, recipe: state.recipe } }))
          return {
            id,
            holes: b.holes.map((h) => ({ value: h.id, text: h.name })),
            panels: b.panels.map((p) => ({ value: p.id, text: p.name })),
          }
        },
      })),
    ),
  })
  return computed(() => Object.fromEntries(got.value.flatMap((q) => (q.data ? [[q.data.id, q.data] as const] : []))))
}
