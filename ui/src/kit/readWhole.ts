// Before what was typed is used at once, and not kept first: all of it has been read.
import { typing } from './typing'

const patience = 8000 // ms

/** Waits until nothing is half read. Answers whether the form may be used: where something in it
 * was refused the hand goes there instead. */
export async function readWhole(form?: Element | null): Promise<boolean> {
  for (const end = performance.now() + patience; typing() && performance.now() < end;) await new Promise((r) => setTimeout(r, 20))
  await new Promise((r) => setTimeout(r)) // what was read last is in its place
  const refused = form?.querySelector<HTMLElement>('input[aria-invalid=true]')
  refused?.focus()
  return !refused && !typing()
}
