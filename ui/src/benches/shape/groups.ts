// Features that go by one group's name, wherever they are on the part.
import type { Recipe } from '@/api/client'
import { afresh } from './afresh'

type Grouped = { id: string; name?: string; group?: string }
type Lists = {
  holes?: Grouped[] | null
  edges?: Grouped[] | null
  marks?: Grouped[] | null
  flanges?: (Grouped & Lists)[] | null
}

/** Answers the recipe with every list of features passed through a change. */
function through(recipe: Recipe, change: (list: Grouped[]) => Grouped[]): Recipe {
  const panel = (p: Lists): Lists => {
    const out = { ...p }
    for (const k of ['holes', 'edges', 'marks'] as const) if (p[k]) out[k] = change(p[k])
    if (p.flanges) out.flanges = change(p.flanges.map((f) => panel(f) as Grouped & Lists)) as (Grouped & Lists)[]
    return out
  }
  return { ...recipe, base: panel(recipe.base) as Recipe['base'] }
}

export const renameGroup = (r: Recipe, was: string, now: string) =>
  through(r, (list) => list.map((f) => (f.group === was ? { ...f, group: now || undefined } : f)))

export const removeGroup = (r: Recipe, name: string) => through(r, (list) => list.filter((f) => f.group !== name))

/** The copies lie on the features they were made of, in a group of their own. */
export function copyGroup(r: Recipe, name: string): Recipe {
  const copy = `${name} (copy)`.slice(0, 80)
  return through(r, (list) => {
    const mine = list.filter((f) => f.group === name)
    return mine.length ? [...list, ...afresh(mine).map((f) => ({ ...f, group: copy }))] : list
  })
}
