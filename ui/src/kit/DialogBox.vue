<script setup lang="ts">
// A dialog: one question, its answer, a way out.
import { NModal } from 'naive-ui'
import { useId } from 'vue'

defineProps<{ title: string; show: boolean; wide?: boolean }>()
const emit = defineEmits<{ close: [] }>()
const id = useId()
</script>

<template>
  <NModal :show="show" :auto-focus="true" @update:show="(v: boolean) => !v && emit('close')" @esc="emit('close')">
    <div class="dialog" :class="{ wide }" role="dialog" aria-modal="true" :aria-labelledby="id">
      <h2 :id="id">{{ title }}</h2>
      <slot />
      <div class="row end"><slot name="actions" /></div>
    </div>
  </NModal>
</template>

<style scoped>
.dialog {
  width: min(520px, calc(100vw - 24px));
  max-height: calc(100dvh - 32px);
  overflow: auto;
  background: var(--sheet);
  color: var(--ink);
  border: 2px solid var(--rule-strong);
  padding: 20px;
  display: grid;
  gap: 16px;
}
.wide {
  width: min(860px, calc(100vw - 24px));
}
.end {
  justify-content: flex-end;
}
</style>
