// Keeps something on this device, once what is being typed has been read to its end: half a
// number would speak elsewhere as if it had been meant.
import { readWhole } from './readWhole'

/** Writes what `now` answers when nothing is half read any more. */
export async function keepHere(key: string, now: () => unknown) {
  if (await readWhole()) localStorage.setItem(key, JSON.stringify(now()))
}
