<script setup lang="ts" generic="T">
// The one list of things. A new one comes at the end with the hand in it; one that is
// removed leaves the way back in its place, where no other bin comes under the pointer;
// where their order counts they can be moved.
import { ArrowDown, ArrowUp, Plus, Trash2, Undo2 } from '@lucide/vue'
import { nextTick, ref, shallowRef, watch } from 'vue'
import { mayGo } from '@/documents/leaving'
import IconPress from './IconPress.vue'

const props = defineProps<{
  rows: T[]
  /** What one is called: remove, put back, move … */
  word: string
  name?: (row: T, i: number) => string | undefined
  /** What the button says that adds one, and what it adds. */
  add?: string
  make?: () => NoInfer<T>
  ordered?: boolean
  /** Rows within a card: no rule of their own, small buttons. */
  small?: boolean
  /** Small rows that stand side by side where there is room. */
  flow?: boolean
  /** One line each, that opens. */
  lines?: boolean
}>()
const emit = defineEmits<{ change: [rows: T[]]; removed: [row: T] }>()
defineSlots<{
  default(slot: { row: T; i: number }): unknown
  adds?(slot: { add: (row: T) => void }): unknown
}>()

const box = ref<HTMLElement>()
const gone = shallowRef<{ row: T; at: number; called: string }>()
const key = (row: T, i: number) => (row as { id?: string }).id || i
const called = (row: T, i: number) => props.name?.(row, i) || (props.name ? props.word : `${props.word} ${i + 1}`)
const cards = () => [...(box.value?.querySelectorAll<HTMLElement>(':scope > .card') ?? [])]

async function plus(row: T) {
  gone.value = undefined
  emit('change', [...props.rows, row])
  await nextTick()
  const hand = cards().at(-1)?.querySelector<HTMLElement>('.in input, .in textarea, .in select')
  hand?.focus({ preventScroll: true })
  hand?.scrollIntoView({ block: 'center' })
}
async function drop(at: number) {
  const key = (props.rows[at] as { id?: string }).id
  const what = called(props.rows[at]!, at)
  if (!(await mayGo(key, what))) return
  // Somebody else's change may have moved it while the question stood.
  const i = key ? props.rows.findIndex((r) => (r as { id?: string }).id === key) : at
  const row = props.rows[i]
  if (!row) return
  gone.value = { row, at: i, called: what.charAt(0).toUpperCase() + what.slice(1) }
  emit(
    'change',
    props.rows.filter((_, k) => k !== i),
  )
  emit('removed', row)
  await nextTick()
  box.value?.querySelector<HTMLElement>(':scope > .gone button')?.focus()
}
function back() {
  const { row, at } = gone.value!
  gone.value = undefined
  emit('change', [...props.rows.slice(0, at), row, ...props.rows.slice(at)])
  void nextTick(() => cards()[at]?.querySelector<HTMLElement>('.in input, .in button')?.focus())
}
function move(i: number, by: 1 | -1) {
  const next = [...props.rows]
  next.splice(i + by, 0, ...next.splice(i, 1))
  emit('change', next)
  void nextTick(() =>
    cards()
      [i + by]?.querySelector<HTMLElement>(by < 0 ? '.up' : '.down')
      ?.focus(),
  )
}
// What comes from elsewhere, an undo or somebody else's change, closes the way back.
watch(
  () => props.rows.length,
  (now, was) => now > was && (gone.value = undefined),
)
</script>

<template>
  <div ref="box" class="cards" :class="{ small, lines, flow }">
    <template v-for="(row, i) in rows" :key="key(row, i)">
      <p v-if="gone?.at === i" class="gone small" role="status">
        {{ gone.called }} is removed.
        <button type="button" class="press tight" @click="back"><Undo2 :size="16" aria-hidden="true" />Put it back</button>
      </p>
      <article class="card">
        <div class="in"><slot :row="row" :i="i" /></div>
        <div class="acts">
          <template v-if="ordered && rows.length > 1">
            <IconPress
              :icon="ArrowUp"
              :size="16"
              :disabled="i === 0"
              :name="`Move ${called(row, i)} up`"
              class="up"
              @click="move(i, -1)"
            />
            <IconPress
              :icon="ArrowDown"
              :size="16"
              :disabled="i === rows.length - 1"
              :name="`Move ${called(row, i)} down`"
              class="down"
              @click="move(i, 1)"
            />
          </template>
          <IconPress :icon="Trash2" :size="small ? 16 : 18" :name="`Remove ${called(row, i)}`" @click="drop(i)" />
        </div>
      </article>
    </template>
    <p v-if="gone && gone.at >= rows.length" class="gone small" role="status">
      {{ gone.called }} is removed.
      <button type="button" class="press tight" @click="back"><Undo2 :size="16" aria-hidden="true" />Put it back</button>
    </p>
    <div class="row">
      <slot name="adds" :add="plus">
        <button
          v-if="add && make"
          type="button"
          class="press"
          :class="{ tight: small }"
          @click="(e) => e.detail < 2 && plus(make!())"
        >
          <Plus :size="small ? 16 : 18" aria-hidden="true" />{{ add }}
        </button>
      </slot>
    </div>
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  gap: 14px;
}
.cards.small {
  gap: 6px;
  font-size: inherit;
}
.card {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: start;
  border-left: 3px solid var(--rule-strong);
  padding: 2px 0 10px 14px;
}
.card:focus-within {
  border-color: var(--ember);
}
.small > .card {
  border: 0;
  padding: 0;
  align-items: center;
}
.flow {
  grid-template-columns: repeat(auto-fill, minmax(min(var(--flow, 330px), 100%), 1fr));
}
.flow > .card {
  grid-template-columns: minmax(0, max-content) auto;
  justify-content: start;
}
.flow > .row,
.flow > .gone {
  grid-column: 1 / -1;
}
.lines {
  gap: 8px;
}
.lines > .card {
  border-left: 0;
  border-bottom: 1px solid var(--rule);
  padding: 0 0 6px;
}
.in {
  display: grid;
  gap: 10px;
  min-width: 0;
}
.acts {
  display: flex;
}
.gone {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  color: var(--ink-soft);
  border-left: 3px dashed var(--rule-strong);
  padding-left: 14px;
}
</style>
