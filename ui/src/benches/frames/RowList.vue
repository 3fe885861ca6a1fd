<script setup lang="ts" generic="T extends { id: string }">
// Rows that open to be edited: one at a time, added at the end, removed each.
import { ChevronDown, ChevronRight, Plus, Trash2 } from '@lucide/vue'
import { nextTick, ref } from 'vue'

defineProps<{ rows: T[]; open: string; add: string; word: string; name: (row: T) => string; says: (row: T) => string }>()
const emit = defineEmits<{ open: [id: string]; add: []; drop: [index: number] }>()
const list = ref<HTMLElement>()
async function more() {
  emit('add')
  await nextTick()
  list.value?.querySelector<HTMLElement>('.form input')?.focus()
}
</script>

<template>
  <div ref="list" class="rows">
    <div v-for="(r, i) in rows" :key="r.id" class="one" :class="{ shown: r.id === open }">
      <div class="head">
        <button type="button" class="pick" :aria-expanded="r.id === open" @click="emit('open', r.id === open ? '' : r.id)">
          <component :is="r.id === open ? ChevronDown : ChevronRight" :size="16" aria-hidden="true" />
          <span class="name">{{ name(r) || 'no name yet' }}</span>
          <span class="says num">{{ says(r) }}</span>
        </button>
        <button type="button" class="press tight bare" :aria-label="`Remove ${word} ${name(r)}`" @click="emit('drop', i)">
          <Trash2 :size="16" />
        </button>
      </div>
      <div v-if="r.id === open" class="form"><slot :row="r" :index="i" /></div>
    </div>
    <button type="button" class="press tight" @click="more"><Plus :size="16" aria-hidden="true" />{{ add }}</button>
  </div>
</template>

<style scoped>
.rows {
  display: grid;
}
.rows > .press {
  justify-self: start;
  margin-top: 8px;
}
.one {
  border-bottom: 1px solid var(--rule);
}
.shown {
  border-left: 4px solid var(--ember);
  padding-left: 8px;
  background: var(--ember-wash);
}
.head {
  display: flex;
  align-items: center;
}
.pick {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  gap: 6px;
  align-items: center;
  min-height: var(--touch);
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  padding: 4px 0;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.says {
  font-weight: 500;
  font-size: 0.9rem;
  text-align: right;
  white-space: normal;
}
.form {
  padding: 4px 0 14px;
  display: grid;
  gap: 12px;
}
</style>
