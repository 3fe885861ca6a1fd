// Long work of one's own: files on their way to the server, and what it does with them. It
// goes on while other pages are looked at.
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, type Problem, Refused, take, type TaskView } from '@/api/client'
import { queryClient, refreshJobs } from '@/api/queries'

/** A file on its way: how much of it is there. */
export const sending = ref<{ name: string; done: number; total: number }>()
let request: XMLHttpRequest | undefined

const ended = (t: TaskView) => t.state === 'done' || t.state === 'refused' || t.state === 'stopped'
export const going = (t: TaskView) => !ended(t)

const often = 700 // ms between two looks while something goes on

export function useTasks() {
  let before = new Set<string>()
  return useQuery({
    queryKey: ['tasks'],
    queryFn: async () => {
      const list = await take(api.GET('/api/v1/tasks', {}))
      if (list.some((t) => t.state === 'done' && before.has(t.id))) refreshJobs()
      before = new Set(list.filter(going).map((t) => t.id))
      return list
    },
    refetchInterval: (q) => (q.state.data?.some(going) ? often : false),
  })
}

const look = () => queryClient.invalidateQueries({ queryKey: ['tasks'] })

/** Has all files of a job put into one. */
export async function packJob(id: string, units: 'mm' | 'in', paper: 'a4' | 'letter') {
  await take(api.POST('/api/v1/jobs/{id}/packet', { params: { path: { id } }, body: { units, paper } }))
  await look()
}

/** Sends a job's file; it is checked and kept when it is there. */
export async function bringFile(file: File): Promise<void> {
  const r = new XMLHttpRequest() // only this one tells how much is through
  request = r
  sending.value = { name: file.name, done: 0, total: file.size }
  try {
    await new Promise<void>((done, failed) => {
      r.upload.onprogress = (e) => (sending.value = { name: file.name, done: e.loaded, total: file.size })
      r.onload = () => (r.status < 300 ? done() : failed(refusal(r)))
      r.onerror = () => failed(new Refused('The server does not answer. Send the file again when it does.', 0))
      r.onabort = () => failed(new Refused('You stopped it; nothing of it was kept.', 499))
      r.open('POST', `/api/v1/import?name=${encodeURIComponent(file.name.slice(0, 200))}`)
      r.setRequestHeader('Content-Type', 'application/json')
      r.send(file)
    })
  } finally {
    request = sending.value = undefined
    await look()
  }
}

function refusal(r: XMLHttpRequest) {
  try {
    const p = JSON.parse(r.responseText) as Problem
    return new Refused(p.detail, r.status, p)
  } catch {
    return new Refused(`The server answered ${r.status}.`, r.status)
  }
}

export const stopSending = () => request?.abort()

export async function stopTask(id: string) {
  await take(api.POST('/api/v1/tasks/{id}/stop', { params: { path: { id } } }))
  await look()
}

export async function dropTask(id: string) {
  await take(api.DELETE('/api/v1/tasks/{id}', { params: { path: { id } } }))
  await look()
}
