<script setup lang="ts" generic="K extends string">
// Tabs above what they show. Arrow keys, Home and End walk along them; only the one that
// is open lies in the way of the Tab key.
import { NTab, NTabs } from 'naive-ui'
import { nextTick, useId } from 'vue'

type Tab = {
  key: K
  name: string
  /** Shown beside the name, when there is something. */ count?: number
  /** Something among it stops the work. */ stop?: boolean
}
const props = defineProps<{
  /** What they choose. */ label: string
  tabs: Tab[]
  modelValue: K
  /** Of what is shown. */ panel?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [key: K] }>()
const id = useId()

const steps: Record<string, (at: number, last: number) => number> = {
  ArrowRight: (at, last) => (at === last ? 0 : at + 1),
  ArrowLeft: (at, last) => (at === 0 ? last : at - 1),
  Home: () => 0,
  End: (_, last) => last,
  Enter: (at) => at,
  ' ': (at) => at,
}
async function walk(e: KeyboardEvent, key: K) {
  const step = steps[e.key]
  if (!step || e.ctrlKey || e.metaKey || e.altKey) return
  e.preventDefault()
  e.stopPropagation()
  const at = props.tabs.findIndex((t) => t.key === key)
  const to = props.tabs[step(at, props.tabs.length - 1)]!.key
  emit('update:modelValue', to)
  await nextTick()
  document.getElementById(`${id}-${to}`)?.focus()
}
</script>

<template>
  <NTabs
    class="tabs"
    role="tablist"
    :aria-label="label"
    type="line"
    :value="modelValue"
    @update:value="(v: K) => emit('update:modelValue', v)"
  >
    <NTab
      v-for="t in tabs"
      :id="`${id}-${t.key}`"
      :key="t.key"
      :name="t.key"
      role="tab"
      :tabindex="t.key === modelValue ? 0 : -1"
      :aria-selected="t.key === modelValue"
      :aria-controls="panel"
      @keydown="(e: KeyboardEvent) => walk(e, t.key)"
    >
      {{ t.name }}<span v-if="t.count" class="count" :class="{ stop: t.stop }">{{ t.count }}</span>
    </NTab>
  </NTabs>
</template>

<style scoped>
.tabs {
  min-width: 0;
}
.tabs :deep([role='tab']:focus-visible) {
  outline-offset: -3px; /* the row cuts off what sticks out */
}
.tabs :deep(.n-tabs-tab-pad) {
  width: 8px;
}
.tabs :deep(.n-tabs-bar) {
  height: 4px;
}
.count {
  display: inline-block;
  min-width: 22px;
  margin-left: 6px;
  padding: 0 5px;
  background: var(--sunk);
  color: var(--ink);
  text-align: center;
  font-weight: 700;
}
.count.stop {
  background: var(--stop);
  color: var(--paper);
}
</style>
