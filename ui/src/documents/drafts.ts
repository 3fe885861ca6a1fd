// What is typed and not sent yet, kept in this browser. It belongs to whoever typed it: on
// a device that several sign in at nobody is shown another's, and it goes with sign-out.
import { whose } from '@/door/whose'

export type Draft<S> = { revision: number; doc: S }

const all = 'warmanvil.draft.'
const place = (kind: string, id: string) => `${all}${whose()}.${kind}.${id}`
/** Where earlier versions of this page kept it. */
const before = (kind: string, id: string) => [`warmanvil.${kind}.${id}`, ...(kind === 'part' ? [`warmanvil.unsent.${id}`] : [])]

/** What was kept of a document here, by whoever is signed in. */
export function draftOf<S>(kind: string, id: string): Draft<S> | undefined {
  const places = [place(kind, id), ...before(kind, id)]
  const text = places.map((p) => localStorage.getItem(p)).find((t) => t !== null)
  if (!text) return undefined
  before(kind, id).forEach((p) => localStorage.removeItem(p))
  const kept = JSON.parse(text) as { revision: number; doc?: S; brief?: S; state?: S }
  const doc = kept.doc ?? kept.brief ?? kept.state
  return doc && { revision: kept.revision, doc }
}

/** Keeps one, given as it is written. */
export function keepDraft(kind: string, id: string, revision: number, doc: string) {
  localStorage.setItem(place(kind, id), `{"revision":${revision},"doc":${doc}}`)
}

export const dropDraft = (kind: string, id: string) => localStorage.removeItem(place(kind, id))

const mine = () => Object.keys(localStorage).filter((k) => k.startsWith(`${all}${whose()}.`))

/** How many documents have something that is not sent yet. */
export const unsent = () => mine().length

/** What belongs to a person and not to the device goes with them. */
export function leaveNothing() {
  const personal = ['warmanvil.quick', 'warmanvil.here', 'warmanvil.part.', 'warmanvil.carried']
  for (const k of [...mine(), ...Object.keys(localStorage).filter((k) => personal.some((p) => k.startsWith(p)))]) {
    localStorage.removeItem(k)
  }
}
