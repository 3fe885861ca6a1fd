<script setup lang="ts">
// The head of a group of features: folded away or not, renamed, copied, removed.
import { ChevronDown, ChevronRight, Copy, Trash2 } from '@lucide/vue'
import { ref, watch } from 'vue'
import type { Bench } from './useBench'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ bench: Bench; name: string; count: number; shut: boolean; worst: string; fixed: boolean }>()
defineEmits<{ fold: []; remove: [] }>()
const typed = ref(props.name)
watch(
  () => props.name,
  (n) => (typed.value = n),
)
function rename() {
  const to = typed.value.trim()
  if (to && to !== props.name) props.bench.renameGroup(props.name, to)
  else typed.value = props.name
}
</script>

<template>
  <div class="group" :data-group="name">
    <IconPress
      :icon="shut ? ChevronRight : ChevronDown"
      :size="20"
      :aria-expanded="!shut"
      :name="`Group ${name}`"
      slim
      @click="$emit('fold')"
    />
    <input
      v-model="typed"
      class="name"
      maxlength="80"
      :aria-label="`Name of the group ${name}`"
      :readonly="fixed"
      @change="rename"
      @keydown.enter="($event.target as HTMLInputElement).blur()"
    />
    <span class="small soft num">{{ count }}</span>
    <strong v-if="worst" class="mark" :class="worst">{{ worst }}</strong>
    <template v-if="!fixed">
      <IconPress :icon="Copy" :name="`Copy group ${name}`" slim tip="Copy the group" @click="bench.copyGroup(name)" />
      <IconPress
        :icon="Trash2"
        :name="`Remove group ${name}`"
        slim
        tip="Remove the group with its features (undo brings it back)"
        @click="$emit('remove')"
      />
    </template>
  </div>
</template>

<style scoped>
.group {
  display: flex;
  align-items: center;
  gap: 2px;
  padding: 2px 6px 2px 2px;
  background: var(--sunk);
  border-bottom: 1px solid var(--rule);
}
.name {
  flex: 1;
  min-width: 0;
  min-height: 38px;
  border: 1px solid transparent;
  background: none;
  color: inherit;
  font: 640 1rem var(--text);
}
.name:hover:not(:read-only),
.name:focus:not(:read-only) {
  border-color: var(--rule);
}
.mark {
  font: 700 0.75rem var(--text);
  text-transform: uppercase;
  color: var(--mind);
}
.mark.stop {
  color: var(--stop);
}
</style>
