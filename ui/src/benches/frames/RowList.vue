<script setup lang="ts" generic="T extends { id: string }">
// Rows that open to be edited, one at a time.
import { ChevronDown, ChevronRight, Plus } from '@lucide/vue'
import CardList from '@/kit/CardList.vue'

defineProps<{
  rows: T[]
  open: string
  add: string
  word: string
  make: () => T
  name: (row: T) => string
  says: (row: T) => string
}>()
const emit = defineEmits<{ open: [id: string]; change: [rows: T[]] }>()
</script>

<template>
  <CardList small :rows="rows" :word="word" :name="(r) => `${word} ${name(r)}`" @change="(v) => emit('change', v)">
    <template #default="{ row, i }">
      <div class="one" :class="{ shown: row.id === open }">
        <button type="button" class="pick" :aria-expanded="row.id === open" @click="emit('open', row.id === open ? '' : row.id)">
          <component :is="row.id === open ? ChevronDown : ChevronRight" :size="16" aria-hidden="true" />
          <span class="name">{{ name(row) || 'no name yet' }}</span>
          <span class="says num">{{ says(row) }}</span>
        </button>
        <div v-if="row.id === open" class="form"><slot :row="row" :index="i" /></div>
      </div>
    </template>
    <template #adds="{ add: plus }">
      <button type="button" class="press tight" @click="plus(make())"><Plus :size="16" aria-hidden="true" />{{ add }}</button>
    </template>
  </CardList>
</template>

<style scoped>
.one {
  border-bottom: 1px solid var(--rule);
}
.shown {
  border-left: 4px solid var(--ember);
  padding-left: 8px;
  background: var(--ember-wash);
}
.pick {
  width: 100%;
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
