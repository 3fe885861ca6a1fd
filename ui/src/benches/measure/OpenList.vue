<script setup lang="ts">
// What is not settled yet; strength and safety hold the files of what they concern.
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { useFrames, useJob } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'

const props = defineProps<{ open: OpenBrief; job: string }>()
const { data: page } = useJob(() => props.job)
const { data: frames } = useFrames(() => props.job)
const things = computed(() => [
  { value: '', text: 'everything of the job' },
  ...[...(page.value?.parts ?? []), ...(frames.value ?? [])].map((p) => ({ value: p.id, text: p.name })),
])
const list = computed(() => props.open.brief.value?.open ?? [])
const kinds = [
  { value: 'strength' as const, text: 'strength' },
  { value: 'safety' as const, text: 'safety' },
  { value: 'other' as const, text: 'other' },
]
</script>

<template>
  <div class="stack">
    <div v-for="(o, i) in list" :key="o.id" class="item" :class="{ done: o.done }">
      <label class="tick"
        ><input
          type="checkbox"
          :checked="o.done"
          @change="open.set(`/open/${i}/done`, ($event.target as HTMLInputElement).checked || undefined)"
        />
        settled</label
      >
      <TextField label="Question" :model-value="o.text" @update:model-value="(v) => open.set(`/open/${i}/text`, v)" />
      <PickOne
        label="It is about"
        :choices="kinds"
        :model-value="o.kind"
        @update:model-value="(v) => open.set(`/open/${i}/kind`, v)"
      />
      <PickOne
        v-if="o.kind !== 'other'"
        label="It holds back"
        :choices="things"
        :model-value="o.of ?? ''"
        @update:model-value="(v) => open.set(`/open/${i}/of`, v || undefined)"
      />
      <span v-else />
      <button type="button" class="press tight bare" aria-label="Remove the question" @click="open.set(`/open/${i}`, undefined)">
        <Trash2 :size="18" />
      </button>
    </div>
    <button type="button" class="press" @click="open.set('/open', [...list, { id: newId(), text: '', kind: 'strength' }])">
      <Plus :size="18" aria-hidden="true" />Add a question
    </button>
  </div>
</template>

<style scoped>
.item {
  grid-template-columns: 96px minmax(180px, 1fr) 130px 190px auto;
}
.done {
  opacity: 0.75;
}
@media (max-width: 760px) {
  .item {
    grid-template-columns: 1fr;
  }
}
</style>
