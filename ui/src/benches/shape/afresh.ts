// Features with ids of their own, all the way down. What they say of each other
// goes with them; how flanges meet names others and is left out.
import { newId } from '@/api/ids'

export function afresh<T>(features: T): T {
  const ids = new Map<string, string>()
  const name = (v: unknown): unknown => {
    if (Array.isArray(v)) return v.map(name)
    if (v === null || typeof v !== 'object') return v
    const out: Record<string, unknown> = {}
    for (const [k, x] of Object.entries(v)) {
      if (k === 'meets') continue
      if (k === 'id') ids.set(String(x), newId())
      out[k] = k === 'id' ? ids.get(String(x)) : name(x)
    }
    return out
  }
  const point = (v: unknown): unknown => {
    if (Array.isArray(v)) return v.map(point)
    if (v === null || typeof v !== 'object') return v
    return Object.fromEntries(Object.entries(v).map(([k, x]) => [k, k === 'feature' ? (ids.get(String(x)) ?? x) : point(x)]))
  }
  return point(name(features)) as T
}
