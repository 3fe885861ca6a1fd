// The way to one kind of document on the server. All kinds are reached alike.
import { api, take } from '@/api/client'
import type { components, paths } from '@/api/schema'

/** Where the documents of each kind are found. */
export const places = {
  brief: '/api/v1/jobs/{id}/brief',
  survey: '/api/v1/jobs/{id}/survey',
  part: '/api/v1/parts/{id}',
  frame: '/api/v1/frames/{id}',
  facets: '/api/v1/facets/{id}',
  shop: '/api/v1/shop',
} as const
export type Kind = keyof typeof places

/** A document with what the server tells of it. */
export type View<K extends Kind> = paths[(typeof places)[K]]['get']['responses'][200]['content']['application/json']
/** What one says. */
export type State<K extends Kind> = View<K>['state']

type S = components['schemas']
export type Clash = S['ClashView']
export type Difference = S['Difference']
export type Kept = S['RevisionView']

/** What a save is made on. */
export type On = { revision: number; continues?: boolean; settled?: number; mine?: string[] }

export function reach<K extends Kind>(kind: K) {
  // The places take the same questions; one of them stands for all where types are told.
  const at = places[kind] as '/api/v1/parts/{id}'
  const of = (id: string) => ({ path: { id } })
  const made = (on: On) => ({ header: { 'If-Match': String(on.revision) } })
  type Answer = Promise<View<K>>
  return {
    get: (id: string) => take(api.GET(at, { params: of(id) })) as Promise<unknown> as Answer,
    put: (id: string, state: State<K>, on: On) =>
      take(
        api.PUT(at, {
          params: {
            ...of(id),
            ...made(on),
            query: { continues: on.continues ? 'true' : undefined, settled: on.settled, mine: on.mine },
          },
          body: state as S['PartState'],
        }),
      ) as Promise<unknown> as Answer,
    step: (id: string, way: 'undo' | 'redo', revision: number) =>
      take(api.POST(`${at}/${way}`, { params: { ...of(id), ...made({ revision }) } })) as Promise<unknown> as Answer,
    revisions: (id: string) => take(api.GET(`${at}/revisions`, { params: of(id) })),
    revision: (id: string, number: number) =>
      take(
        api.GET(`${at}/revisions/{number}`, { params: { path: { id, number: String(number) } } }),
      ) as Promise<unknown> as Promise<State<K>>,
    since: (id: string, number: number) =>
      take(api.GET(`${at}/revisions/{number}/since`, { params: { path: { id, number: String(number) } } })),
  }
}
