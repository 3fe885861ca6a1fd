<script setup lang="ts">
// Ways it could be done, side by side, and why one was taken.
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { OpenBrief } from '@/jobs/useBrief'
import TextField from '@/kit/TextField.vue'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ open: OpenBrief }>()
const list = computed(() => props.open.brief.value?.options ?? [])
const choose = (id: string) =>
  props.open.set(
    '/options',
    list.value.map((o) => ({ ...o, chosen: o.id === id || undefined })),
  )
</script>

<template>
  <div class="stack">
    <div class="ways">
      <article v-for="(o, i) in list" :key="o.id" class="way" :class="{ on: o.chosen }">
        <TextField label="Way" :model-value="o.name" @update:model-value="(v) => open.set(`/options/${i}/name`, v)" />
        <TextField
          label="For it"
          :rows="2"
          :model-value="o.for ?? ''"
          @update:model-value="(v) => open.set(`/options/${i}/for`, v)"
        />
        <TextField
          label="Against it"
          :rows="2"
          :model-value="o.against ?? ''"
          @update:model-value="(v) => open.set(`/options/${i}/against`, v)"
        />
        <TextField
          v-if="o.chosen"
          label="Why it was taken"
          :rows="2"
          :model-value="o.reason ?? ''"
          @update:model-value="(v) => open.set(`/options/${i}/reason`, v)"
        />
        <div class="row">
          <button type="button" class="press tight" :aria-pressed="!!o.chosen" @click="choose(o.chosen ? '' : o.id)">
            {{ o.chosen ? 'Taken' : 'Take this way' }}
          </button>
          <IconPress :icon="Trash2" :name="`Remove way ${o.name}`" @click="open.set(`/options/${i}`, undefined)" />
        </div>
      </article>
    </div>
    <button type="button" class="press" @click="open.set('/options', [...list, { id: newId(), name: '' }])">
      <Plus :size="18" aria-hidden="true" />Add a way
    </button>
  </div>
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 18px;
}
.way {
  display: grid;
  gap: 8px;
  align-content: start;
  border-top: 3px solid var(--rule);
  padding-top: 8px;
}
.on {
  border-color: var(--ember);
}
</style>
