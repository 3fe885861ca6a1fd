import type { Recipe } from '@/api/client'

/** A recipe as a part for itself: what it is drilled through, split from or follows is not there, and what was
 * set aside and explained is judged anew. */
export const forItself = (recipe: Recipe): Recipe => ({
  ...recipe,
  master: undefined,
  piece: undefined,
  kin: undefined,
  facet: undefined,
  setAside: undefined,
  reasons: undefined,
})
