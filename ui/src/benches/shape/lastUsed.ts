// The last value used for a new feature, kept on this device.
const key = 'warmanvil.last'

const all = (): Record<string, Record<string, number>> =>
  JSON.parse(localStorage.getItem(key) ?? '{}') as Record<string, Record<string, number>>

/** What was typed last, of a flange and of a hole. */
export const lastUsed = () => ({ ...all().flange, ...all().hole })

export function remember(path: string, value: number) {
  const match = /\/(flanges|holes)\/\d+\/(length|angle|insideRadius|diameter)$/.exec(path)
  if (!match) return
  const kind = match[1] === 'flanges' ? 'flange' : 'hole'
  if (kind === 'hole' && match[2] !== 'diameter') return
  const last = all()
  last[kind] = { ...last[kind], [match[2]!]: value }
  localStorage.setItem(key, JSON.stringify(last))
}
