<script setup lang="ts">
// Which part or frame of the job is open; another, a new one, a copy, away with it. What
// is said of the open one and its document bar go inside.
import { Archive, Copy, Plus, Undo2, X } from '@lucide/vue'
import { computed, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobPage, type Dependant, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import { places } from '@/documents/reach'
import UsedBox from '@/documents/UsedBox.vue'
import PickOne from '@/kit/PickOne.vue'
import IconPress from '@/kit/IconPress.vue'
import { lastAway } from './lastAway'
import { once } from '@/kit/once'

type Kind = 'part' | 'frame' | 'body'
const kindOf = { sheet: 'part', frame: 'frame', facets: 'body' } as const
/** Where things of each kind are reached; they take the same questions. */
const reached = { part: places.part, frame: places.frame, body: places.facets }
const at = (kind: Kind) => reached[kind] as '/api/v1/parts/{id}'
const called = { part: 'Part', frame: 'Frame', body: 'Body' }
const props = defineProps<{ page: JobPage; kind: Kind; id: string; name: string; send: () => Promise<unknown> }>()
const router = useRouter()
const said = ref('')
const own = computed(() => `${props.kind}/${props.id}`)
const named = (kind: Kind, list: { id: string; name: string }[]) => {
  const here = kind === props.kind && !list.some((x) => x.id === props.id) ? [{ id: props.id, name: props.name }] : []
  return [...here, ...list].map((x) => ({
    value: `${kind}/${x.id}`,
    text: x.id === props.id ? props.name : x.name,
  }))
}
const things = computed(() => [
  { text: 'Folded parts', list: named('part', props.page.parts) },
  { text: 'Frames', list: [...named('frame', props.page.frames), { value: 'frame', text: 'A new frame …' }] },
  { text: 'Bodies of panels', list: [...named('body', props.page.bodies), { value: 'body', text: 'A new body …' }] },
  {
    text: 'Put away: taking one brings it back',
    list: props.page.away
      .filter((x) => x.id !== props.id)
      .map((x) => ({ value: `away/${kindOf[x.kind as 'sheet'] ?? 'part'}/${x.id}`, text: x.name })),
  },
])
/** Parts stand at the bench itself, frames below it. */
const place = (thing: string) => `/jobs/${props.page.job.id}/shape/${thing.replace(/^part\//, '')}`
async function goTo(thing: string) {
  const [away, kind, id] = thing.split('/')
  if (away === 'away') return bringBack(kind as Kind, id!)
  await props.send()
  refreshJobs()
  await router.push(place(thing))
}
const path = () => ({ params: { path: { id: props.id } } })
const tried = once(async (what: () => Promise<string>) => {
  said.value = ''
  try {
    await props.send()
    await goTo(await what())
  } catch (e) {
    said.value = words(e)
  }
})
const duplicate = () => tried(async () => `${props.kind}/${(await take(api.POST(`${at(props.kind)}/duplicate`, path()))).id}`)
const archive = (kind: Kind, id: string, archived: boolean) =>
  take(api.POST(`${at(kind)}/archive`, { params: { path: { id } }, body: { archived } }))
/** What names it, and asks before it goes. */
const dependants = shallowRef<Dependant[]>([])
async function askAway() {
  said.value = ''
  try {
    await props.send()
    dependants.value = await take(api.GET(`${at(props.kind)}/dependants`, path()))
  } catch (e) {
    said.value = words(e)
    return
  }
  if (!dependants.value.length) await putAway()
}
const putAway = () =>
  tried(async () => {
    dependants.value = []
    await archive(props.kind, props.id, true)
    lastAway.value = { job: props.page.job.id, kind: props.kind, id: props.id, name: props.name }
    const { parts, frames, bodies } = props.page
    const left = { part: parts, frame: frames, body: bodies }[props.kind].find((x) => x.id !== props.id)
    return left ? `${props.kind}/${left.id}` : parts[0] ? `part/${parts[0].id}` : 'new'
  })
const bringBack = (kind: Kind, id: string) =>
  tried(async () => {
    await archive(kind, id, false)
    if (lastAway.value?.id === id) lastAway.value = undefined
    return `${kind}/${id}`
  })
const away = computed(() =>
  lastAway.value?.job === props.page.job.id && lastAway.value.id !== props.id ? lastAway.value : undefined,
)
</script>

<template>
  <header class="strip">
    <h1 class="hidden-label">{{ name }}</h1>
    <RouterLink to="/jobs" class="job soft">{{ page.job.brief.name }}</RouterLink>
    <PickOne class="which" :label="called[kind]" hide-label :choices="things" :model-value="own" @update:model-value="goTo" />
    <IconPress :icon="Plus" :size="20" :name="`New ${kind}`" @click="goTo(kind === 'part' ? 'new' : kind)" />
    <IconPress :icon="Copy" :size="20" :name="`Duplicate the ${kind}`" @click="duplicate" />
    <IconPress :icon="Archive" :size="20" :name="`Put the ${kind} away`" @click="askAway" />
    <span class="gap"></span>
    <span v-if="said" class="wrong" role="alert">{{ said }}</span>
    <slot />
    <p v-if="away" class="away" role="status">
      {{ away.name }} is put away.
      <button type="button" class="press tight" @click="bringBack(away.kind, away.id)">
        <Undo2 :size="16" aria-hidden="true" />Bring it back
      </button>
      <IconPress slim :icon="X" name="Leave it away" @click="lastAway = undefined" />
    </p>
    <UsedBox
      :name="name"
      :by="dependants"
      why="Put away, it is missing here. It can be brought back from the list of parts at any time."
      go="Put it away"
      @answer="(go) => (go ? putAway() : (dependants = []))"
    />
  </header>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  padding: 4px 12px;
  border-bottom: 1px solid var(--rule);
  min-height: var(--strip);
}
.job {
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.which {
  width: 260px;
  font-weight: 640;
}
.gap {
  flex: 1;
}
/* Over the foot of the page: nothing moves when it comes or goes. */
.away {
  position: fixed;
  z-index: 5;
  left: 50%;
  bottom: 84px;
  transform: translateX(-50%);
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 0;
  padding: 8px 8px 8px 16px;
  background: var(--sheet);
  border: 2px solid var(--rule-strong);
}
</style>
