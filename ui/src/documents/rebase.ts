// What was typed while a save was under way, carried over to what came back: the server
// may have joined the save with somebody else's.
type Tree = { [name: string]: unknown }

const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && !Array.isArray(v)
const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
const byId = (v: unknown): Map<string, unknown> | undefined => {
  if (!Array.isArray(v)) return undefined
  const map = new Map<string, unknown>()
  for (const x of v) {
    if (!isTree(x) || typeof x.id !== 'string' || map.has(x.id)) return undefined
    map.set(x.id, x)
  }
  return map
}

/** Answers came with every change that now makes to sent; what now changes stands. */
export function rebase(sent: unknown, now: unknown, came: unknown): unknown {
  if (same(sent, now)) return came
  if (isTree(sent) && isTree(now) && isTree(came)) {
    const out: Tree = {}
    for (const name of new Set([...Object.keys(came), ...Object.keys(now)])) {
      const v = rebase(sent[name], now[name], came[name])
      if (v !== undefined) out[name] = v
    }
    return out
  }
  const [s, n, c] = [byId(sent), byId(now), byId(came)]
  if (!s || !n || !c) return now
  // Theirs that came stay where they are behind mine; what is gone here is gone.
  const ids = [...n.keys(), ...[...c.keys()].filter((id) => !s.has(id) && !n.has(id))]
  return ids
    .filter((id) => c.has(id) || !s.has(id) || !same(s.get(id), n.get(id)))
    .map((id) => rebase(s.get(id), n.get(id), c.get(id)))
}
