<script setup lang="ts">
// Ways it could be done, side by side, and why one was taken.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { OpenBrief } from '@/jobs/useBrief'
import TextField from '@/kit/TextField.vue'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{ open: OpenBrief }>()
const list = computed(() => props.open.brief.value?.options ?? [])
const choose = (id: string) =>
  props.open.set(
    '/options',
    list.value.map((o) => ({ ...o, chosen: o.id === id || undefined })),
  )
</script>

<template>
  <CardList
    class="ways"
    flow
    :rows="list"
    word="way"
    :name="(o) => `way ${o.name}`"
    add="Add a way"
    :make="() => ({ id: newId(), name: '' })"
    @change="(v) => open.set('/options', v)"
    v-slot="{ row: o, i }"
  >
    <div class="way" :class="{ on: o.chosen }">
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
      </div>
    </div>
  </CardList>
</template>

<style scoped>
.ways {
  --flow: 300px;
}
.ways :deep(.card) {
  grid-template-columns: minmax(0, 1fr) auto;
}
.way {
  display: grid;
  gap: 8px;
}
.on {
  border-top: 3px solid var(--ember);
  padding-top: 5px;
}
</style>
