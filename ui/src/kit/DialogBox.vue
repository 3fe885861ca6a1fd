<script setup lang="ts">
// A dialog: one question, its answer, a way out.
import { NModal } from 'naive-ui'
import { ref, useId, watch } from 'vue'

const props = defineProps<{
  title: string
  show: boolean
  wide?: boolean
  /** As wide as the screen lets it. */ full?: boolean
  /** It comes unasked: what is being typed must not land on one of its buttons. */
  unasked?: boolean
}>()
const box = ref<HTMLElement>()
watch(box, (b) => props.unasked && b?.focus())
const emit = defineEmits<{ close: [] }>()
const id = useId()
</script>

<template>
  <NModal :show="show" :auto-focus="!unasked" @update:show="(v: boolean) => !v && emit('close')" @esc="emit('close')">
    <div ref="box" class="dialog" :class="{ wide, full }" tabindex="-1" role="dialog" aria-modal="true" :aria-labelledby="id">
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
.full {
  width: min(1400px, calc(100vw - 24px));
}
.end {
  justify-content: flex-end;
}
</style>
