// What is typed into the sizes of a part, by where it goes. An entry outlives the
// field it was typed into: reading it may take longer than the hand stays there.
import { ref } from 'vue'
import type { Entry } from '@/kit/readLength'

export function useEntries(type: (path: string, value: number) => void) {
  const unread = ref<Record<string, string>>({}) // what was refused
  const reading = new Map<string, AbortController>()

  function keep(path: string, text: string | undefined) {
    const next = { ...unread.value }
    if (text === undefined) delete next[path]
    else next[path] = text
    unread.value = next
  }
  /** The size at a path, as a field types it. Of two entries into one size the later one counts,
   * whichever is read first. */
  function entry(path: string): Entry {
    return {
      draft: unread.value[path],
      keep: (text) => keep(path, text),
      deliver: (value) => type(path, value),
      begin: () => {
        reading.get(path)?.abort()
        const mine = new AbortController()
        reading.set(path, mine)
        return mine
      },
    }
  }
  /** Lets go of entries from a path on downwards: another thing may stand there now. */
  function forget(from = '') {
    for (const [path, mine] of reading) if (path.startsWith(from)) mine.abort()
    unread.value = Object.fromEntries(Object.entries(unread.value).filter(([path]) => !path.startsWith(from)))
  }
  return { unread, entry, forget }
}
