// What was put away last on this page: the way back stands where it went.
import { shallowRef } from 'vue'

export const lastAway = shallowRef<{ job: string; kind: 'part' | 'frame' | 'body'; id: string; name: string }>()
