<script setup lang="ts">
// How a document stands: saved or not, undo and redo, its history; what others changed
// meanwhile, and the choice where both changed the same.
import { History, Redo2, Undo2, X } from '@lucide/vue'
import { computed, onScopeDispose, ref } from 'vue'
import { away } from '@/api/away'
import { bind } from '@/keys/keys'
import ClashBox from './ClashBox.vue'
import HistoryBox from './HistoryBox.vue'
import type { Kind, State } from './reach'
import type { OpenDocument } from './useDocument'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{
  open: OpenDocument & { change: (next: never) => void }
  /** What the document is called, where that is not plain from where the bar stands. */
  of?: string
}>()
defineSlots<{ drawn(p: { was: State<Kind> }): unknown; clash(p: { theirs: State<Kind> }): unknown }>()
const history = ref(false)
const bad = computed(() => ['not saved', 'two versions', 'waiting for the server'].includes(props.open.state.value))
const unbind = [
  bind('ctrl+z', 'undo', () => void props.open.step('undo')),
  bind('ctrl+shift+z', 'do it again', () => void props.open.step('redo')),
]
onScopeDispose(() => unbind.forEach((f) => f()))
const others = computed(() => {
  const list = props.open.joined.value
  const said = list.slice(0, 3).map((d) => `${d.what} ${d.now || 'removed'}`)
  return list.length > 3 ? `${said.join(', ')}, and ${list.length - 3} more` : said.join(', ')
})
// What keeps everything from being saved stands once, at the head of the page.
const said = computed(() => away.value !== '' && props.open.state.value === 'waiting for the server')
</script>

<template>
  <div class="bar">
    <span v-if="of" class="save">{{ of }}</span>
    <span class="save" role="status" :class="{ bad }" v-bind="{ [`data-${open.kind}`]: open.state.value }">{{
      open.state.value
    }}</span>
    <IconPress
      :icon="Undo2"
      :size="20"
      name="Undo"
      :disabled="!open.view.value?.canUndo && open.state.value === 'saved'"
      tip="Undo (Ctrl+Z)"
      @click="open.step('undo')"
    />
    <IconPress
      :icon="Redo2"
      :size="20"
      name="Redo"
      :disabled="!open.view.value?.canRedo"
      tip="Redo (Ctrl+Shift+Z)"
      @click="open.step('redo')"
    />
    <button
      type="button"
      class="press tight"
      title="Every state that was kept"
      :disabled="!open.view.value?.revision"
      @click="history = true"
    >
      <History :size="18" aria-hidden="true" />r{{ open.view.value?.revision ?? 0 }}
    </button>
    <HistoryBox v-if="history" :open="open" @close="history = false">
      <template #drawn="{ was }"><slot name="drawn" :was="was" /></template>
    </HistoryBox>
    <ClashBox v-if="open.clash.value" :open="open">
      <template #drawn="{ theirs }"><slot name="clash" :theirs="theirs" /></template>
    </ClashBox>
  </div>
  <p v-if="others" class="joined" role="status">
    <span>Joined with what somebody else changed meanwhile: {{ others }}.</span>
    <IconPress :icon="X" name="Seen" @click="open.seen()" />
  </p>
  <p v-if="open.wrong.value && open.state.value !== 'two versions' && !said" class="wrong" role="alert">
    {{ open.wrong.value }}
    <button v-if="open.state.value === 'not saved'" type="button" class="press tight" @click="open.anew">
      Load what was saved
    </button>
  </p>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: flex-end;
  gap: 4px 8px;
}
.save {
  font-size: 0.9rem;
  color: var(--ink-soft);
}
.bad {
  color: var(--stop);
  font-weight: 600;
}
/* Below the bar, the whole width of the head it stands in. */
.joined,
.wrong {
  flex: 1 0 100%;
  grid-column: 1 / -1;
  order: 1;
}
.joined {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  padding: 2px 10px;
  border-left: 4px solid var(--mind);
  background: var(--mind-wash);
}
</style>
