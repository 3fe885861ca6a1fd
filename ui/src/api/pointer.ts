/** Reads a value by JSON pointer. */
export function at(tree: unknown, path: string): unknown {
  let node: unknown = tree
  for (const step of path.split('/').slice(1)) {
    if (node === null || typeof node !== 'object') return undefined
    node = (node as Record<string, unknown>)[step]
  }
  return node
}

/** Answers a copy with one value set by JSON pointer; undefined removes it. */
export function put<T>(tree: T, path: string, value: unknown): T {
  const copy = structuredClone(tree)
  const steps = path.split('/').slice(1)
  const last = steps.pop()!
  let node = copy as Record<string, unknown>
  for (const step of steps) {
    if (node[step] === undefined || node[step] === null) node[step] = {}
    node = node[step] as Record<string, unknown>
  }
  if (value === undefined && Array.isArray(node)) node.splice(Number(last), 1)
  else if (value === undefined) delete node[last]
  else node[last] = value
  return copy
}
