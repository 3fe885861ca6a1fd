<script setup lang="ts">
// One size in the list. A component of its own: with hundreds of them, only
// those that changed are looked at again.
import Frac from '@/kit/Frac.vue'

defineProps<{ path: string; label: string; text: string; here: boolean; unread: boolean }>()
defineEmits<{ choose: [path: string] }>()
</script>

<template>
  <button type="button" class="size" :class="{ here }" :data-path="path" @click="$emit('choose', path)">
    <span>{{ label }} <strong v-if="unread" class="mark">not read</strong></span>
    <span class="num"><Frac :text="text" /></span>
  </button>
</template>

<style scoped>
.mark {
  font: 700 0.75rem var(--text);
  text-transform: uppercase;
  color: var(--stop);
}
.size {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  min-height: 36px;
  align-items: center;
  padding: 2px 12px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  cursor: pointer;
}
.size:hover {
  background: var(--sunk);
}
.size.here {
  border-left-color: var(--ember);
  background: var(--ember-wash);
}
@media (pointer: coarse) {
  .size {
    min-height: var(--touch);
  }
}
</style>
