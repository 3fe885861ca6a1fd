<script setup lang="ts">
// What names a thing that is about to go, place by place.
import { ref, watch } from 'vue'
import type { Dependant } from '@/api/client'
import DialogBox from '@/kit/DialogBox.vue'

const props = defineProps<{ name: string; by: Dependant[]; why: string; go: string }>()
const emit = defineEmits<{ answer: [go: boolean] }>()
// What was asked stands while the question fades away.
const shown = ref({ name: '', by: [] as Dependant[] })
watch(
  () => props.by,
  (by) => by.length && (shown.value = { name: props.name, by }),
  { immediate: true },
)
const single: Record<string, string> = { brief: 'The brief', survey: 'What was measured' }
</script>

<template>
  <DialogBox :show="by.length > 0" :title="`${shown.name} is used`" @close="emit('answer', false)">
    <p>{{ why }}</p>
    <ul>
      <li v-for="u in shown.by" :key="u.id">
        <strong>{{ single[u.kind] ?? u.name }}</strong>: {{ u.where.join('; ') }}
      </li>
    </ul>
    <template #actions>
      <button type="button" class="press" @click="emit('answer', false)">Leave it</button>
      <button type="button" class="press main" @click="emit('answer', true)">{{ go }}</button>
    </template>
  </DialogBox>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 20px;
  display: grid;
  gap: 6px;
  overflow-wrap: anywhere;
}
</style>
