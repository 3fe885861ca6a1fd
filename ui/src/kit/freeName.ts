/** A name that no other part of the job has: the one asked for, or that with the next number. */
export function freeName(name: string, taken: string[]): string {
  const bare = name.replace(/ \d+$/, '')
  const had = new Set(taken.map((t) => t.trim().toLowerCase()))
  if (!had.has(name.toLowerCase())) return name
  for (let n = 2; ; n++) if (!had.has(`${bare} ${n}`.toLowerCase())) return `${bare} ${n}`
}
