// The last value used for a new feature, kept on this device.
import { keepHere } from '@/kit/keepHere'

const key = 'warmanvil.last'
type Last = Record<string, Record<string, number>>
const since: Last = {} // what was typed since the page was opened

function all(): Last {
  const last = JSON.parse(localStorage.getItem(key) ?? '{}') as Last
  for (const kind in since) last[kind] = { ...last[kind], ...since[kind] }
  return last
}

/** What was typed last, of a flange and of a hole. */
export function lastUsed() {
  const last = all()
  return { ...last.flange, ...last.hole }
}

export function remember(path: string, value: number) {
  const match = /\/(flanges|holes)\/\d+\/(length|angle|insideRadius|diameter)$/.exec(path)
  if (!match) return
  const kind = match[1] === 'flanges' ? 'flange' : 'hole'
  if (kind === 'hole' && match[2] !== 'diameter') return
  since[kind] = { ...since[kind], [match[2]!]: value }
  void keepHere(key, all)
}
