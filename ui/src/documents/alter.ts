import { queryClient } from '@/api/queries'
import { type Kind, reach, type State, type View } from './reach'

/** Changes a document that is not open here, as it stands; what somebody else saves in between is joined. */
export async function alter<K extends Kind>(kind: K, id: string, change: (state: State<K>) => State<K>): Promise<View<K>> {
  const remote = reach(kind)
  const was = await remote.get(id)
  const got = await remote.put(id, change(was.state), { revision: was.revision })
  queryClient.setQueryData([kind, id], got)
  return got
}
