// What lies in the shop: lines with their counts, and the movements that change them.
import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/api/client'
import { queryClient, refreshJobs } from '@/api/queries'
import type { components } from '@/api/schema'

export type Stocked = components['schemas']['StockLineView']
export type Goods = components['schemas']['Goods']
export type StockMove = components['schemas']['Move']

export const useGoods = () => useQuery({ queryKey: ['goods'], queryFn: () => take(api.GET('/api/v1/goods', {})) })

/** What depends on the stock is asked anew. */
function moved() {
  for (const key of ['goods', 'job-goods', 'holding', 'frames', 'goods-moves'])
    void queryClient.invalidateQueries({ queryKey: [key] })
  refreshJobs()
}

export async function addGoods(line: Goods, here: number) {
  const got = await take(api.POST('/api/v1/goods', { body: { line: { ...line, id: '' }, here } }))
  moved()
  return got
}

export async function saveGoods(l: Stocked, line: Goods, archived = false) {
  const got = await take(
    api.PUT('/api/v1/goods/{id}', { params: { path: { id: l.line.id } }, body: { line, archived, revision: l.revision } }),
  )
  moved()
  return got
}

export async function moveGoods(id: string, move: StockMove) {
  const got = await take(api.POST('/api/v1/goods/{id}/moves', { params: { path: { id } }, body: move }))
  moved()
  return got
}
