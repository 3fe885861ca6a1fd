// Who one is to the server.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/api/client'
import { queryClient } from '@/api/queries'
import { belongsTo } from './whose'

async function ask() {
  const got = await take(api.GET('/api/v1/session', {}))
  if (got.state === 'in' || got.state === 'open') belongsTo(got.name && got.state === 'in' ? got.name : '')
  return got
}

export function useSession() {
  const { data } = useQuery({ queryKey: ['session'], queryFn: ask, staleTime: 30_000 })
  return {
    session: data,
    mayLook: computed(() => data.value?.state === 'open' || data.value?.state === 'in'),
    onlyLooks: computed(() => data.value?.state === 'in' && data.value.role === 'reader'),
  }
}

/** Everything is asked anew after signing in or out. */
export async function sessionChanged() {
  await queryClient.invalidateQueries({ queryKey: ['session'] })
  await queryClient.resetQueries()
}

/** What this device may be called in the list: what it says of itself. */
export function deviceName(): string {
  const agent = navigator.userAgent
  const what =
    /iPad|Tablet/.test(agent) || (navigator.maxTouchPoints > 1 && Math.min(screen.width, screen.height) > 600)
      ? 'Tablet'
      : /Mobi/.test(agent)
        ? 'Telephone'
        : 'Computer'
  const system = /Windows|Android|Linux|Mac OS/.exec(agent)?.[0] ?? ''
  return `${what}${system ? ', ' + system : ''}`
}
