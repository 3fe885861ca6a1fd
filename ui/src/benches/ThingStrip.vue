<script setup lang="ts">
// Which part or frame of the job is open; another, a new one, a copy, away with it. What
// is said of the open one and its document bar go inside.
import { Archive, Copy, Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobPage, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import PickOne from '@/kit/PickOne.vue'
import IconPress from '@/kit/IconPress.vue'

type Kind = 'part' | 'frame'
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
])
/** Parts stand at the bench itself, frames below it. */
const place = (thing: string) => `/jobs/${props.page.job.id}/shape/${thing.replace(/^part\//, '')}`
async function goTo(thing: string) {
  await props.send()
  refreshJobs()
  await router.push(place(thing))
}
const path = () => ({ params: { path: { id: props.id } } })
async function tried(what: () => Promise<string>) {
  said.value = ''
  try {
    await props.send()
    await goTo(await what())
  } catch (e) {
    said.value = words(e)
  }
}
const duplicate = () =>
  tried(async () =>
    props.kind === 'part'
      ? `part/${(await take(api.POST('/api/v1/parts/{id}/duplicate', path()))).id}`
      : `frame/${(await take(api.POST('/api/v1/frames/{id}/duplicate', path()))).id}`,
  )
const putAway = () =>
  tried(async () => {
    const body = { ...path(), body: { archived: true } }
    await (props.kind === 'part'
      ? take(api.POST('/api/v1/parts/{id}/archive', body))
      : take(api.POST('/api/v1/frames/{id}/archive', body)))
    return ''
  })
</script>

<template>
  <header class="strip">
    <h1 class="hidden-label">{{ name }}</h1>
    <RouterLink to="/jobs" class="job soft">{{ page.job.brief.name }}</RouterLink>
    <PickOne
      class="which"
      :label="kind === 'part' ? 'Part' : 'Frame'"
      hide-label
      :choices="things"
      :model-value="own"
      @update:model-value="goTo"
    />
    <IconPress :icon="Plus" :size="20" :name="`New ${kind}`" @click="goTo(kind === 'part' ? 'new' : 'frame')" />
    <IconPress :icon="Copy" :size="20" :name="`Duplicate the ${kind}`" @click="duplicate" />
    <IconPress :icon="Archive" :size="20" :name="`Put the ${kind} away`" @click="putAway" />
    <span class="gap"></span>
    <span v-if="said" class="wrong" role="alert">{{ said }}</span>
    <slot />
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
</style>
