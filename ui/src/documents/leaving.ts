// Before a thing goes that others of the job name: what names it, and the question.
import { shallowRef } from 'vue'
import { api, type Dependant, take } from '@/api/client'
import { useRail } from '@/device'

export const asked = shallowRef<{ name: string; by: Dependant[]; answer: (go: boolean) => void }>()

/** Whether a thing may go: at once where nothing names it, else when somebody says so. */
export async function mayGo(id: string | string[] | undefined, name: string): Promise<boolean> {
  const job = useRail().job
  const thing = [id ?? []].flat()
  if (!thing.length || !job) return true
  let by: Dependant[]
  try {
    by = await take(api.GET('/api/v1/jobs/{id}/named-by', { params: { path: { id: job }, query: { thing } } }))
  } catch {
    return true // the server is away: the way back stands beside it all the same
  }
  if (!by.length) return true
  return new Promise((resolve) => {
    asked.value = {
      name,
      by,
      answer: (go) => {
        asked.value = undefined
        resolve(go)
      },
    }
  })
}
