<script setup lang="ts">
// What lies in the shop: found by a few letters, opened by a press.
import { Plus } from '@lucide/vue'
import { computed, nextTick, ref } from 'vue'
import { Refused, words } from '@/api/client'
import { useStock } from '@/api/queries'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import GoodsForm from './GoodsForm.vue'
import GoodsMove from './GoodsMove.vue'
import { addGoods, type Goods, saveGoods, type Stocked, useGoods } from './useGoods'
import { useShop } from './useShop'

const open = useShop()
const lengths = computed(() => open.style.value)
const { data: lines, error } = useGoods()
const { data: stock } = useStock()
const kind = ref<Goods['kind'] | ''>('')
const find = ref('')
const most = ref(100)
const chosen = ref('')
const draft = ref<Goods>()
const here = ref<number | null>(1)
const faults = ref<Record<string, string>>({})
const trouble = ref('')
const adding = ref(false)
const kinds = computed(() => [{ value: '' as const, text: 'all' }, ...wordsOf('Goods', 'kind')])
const listed = computed(() => {
  const parts = find.value.toLowerCase().split(/\s+/).filter(Boolean)
  return (lines.value ?? []).filter((l) => {
    if (kind.value && l.line.kind !== kind.value) return false
    const all = `${l.called} ${l.line.place ?? ''} ${l.line.batch ?? ''}`.toLowerCase()
    return parts.every((p) => all.includes(p))
  })
})
const few = (l: Stocked) => l.line.least !== undefined && l.free < l.line.least

function look(l: Stocked) {
  chosen.value = chosen.value === l.line.id ? '' : l.line.id
  draft.value = chosen.value ? JSON.parse(JSON.stringify(l.line)) : undefined
  clear()
  adding.value = false
}
function clear() {
  faults.value = {}
  trouble.value = ''
}
async function begin() {
  chosen.value = ''
  clear()
  const inch = open.inch.value
  draft.value = {
    id: '',
    kind: (kind.value || 'sheet') as Goods['kind'],
    material: stock.value?.materials[0]?.key,
    thickness: inch ? 3.175 : 3,
    long: !kind.value || kind.value === 'sheet' ? (inch ? 3048 : 2500) : undefined,
    wide: inch ? 1524 : 1250,
    system: inch ? 'inch' : 'metric',
    outline: [0, 1, 2, 3].map((i) => ({ x: i % 3 ? 500 : 0, y: i > 1 ? 300 : 0, bulge: 0 })),
  }
  here.value = 1
  adding.value = true
  await nextTick()
  document.querySelector<HTMLElement>('.adding input, .adding button')?.focus()
}
/** Of a kind what it has: the rest of what was typed is not sent along. */
function bare(l: Goods): Goods {
  const keep: Record<Goods['kind'], (keyof Goods)[]> = {
    sheet: ['material', 'thickness', 'long', 'wide'],
    remnant: ['material', 'thickness', 'outline'],
    stick: ['material', 'section', 'long'],
    hardware: ['name', 'system', 'size', 'long', 'grade'],
    consumable: ['name', 'unit'],
  }
  const always: (keyof Goods)[] = ['id', 'kind', 'label', 'place', 'batch', 'least', 'note', 'name']
  return Object.fromEntries([...always, ...keep[l.kind]].map((k) => [k, l[k]])) as Goods
}
async function send(what: () => Promise<unknown>) {
  clear()
  try {
    await what()
    return true
  } catch (e) {
    if (e instanceof Refused) faults.value = Object.fromEntries((e.problem?.errors ?? []).map((x) => [x.path, x.message]))
    trouble.value = words(e)
    return false
  }
}
async function add() {
  if (await send(() => addGoods(bare(draft.value!), here.value ?? 0))) {
    adding.value = false
    draft.value = undefined
  }
}
const keep = (l: Stocked) => send(() => saveGoods(l, bare(draft.value!)))
async function away(l: Stocked) {
  if (await send(() => saveGoods(l, l.line, true))) chosen.value = ''
}
</script>

<template>
  <div class="page stock" :data-lines="lines?.length">
    <header class="head">
      <h1>Stock</h1>
      <RouterLink to="/shop" class="press tight bare">The shop</RouterLink>
    </header>
    <p class="soft">Sheets, remnants, sticks, hardware and consumables; every job asks them, and keeps what it needs.</p>
    <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
    <div class="row bar">
      <ChoiceRow v-model="kind" label="Show" :choices="kinds" />
      <TextField v-model="find" label="Find: a few letters of it" />
      <button type="button" class="press main" @click="begin"><Plus :size="18" aria-hidden="true" /> Add a line</button>
    </div>
    <section v-if="adding && draft" class="adding" aria-label="A new line">
      <h2>A new line</h2>
      <GoodsForm v-model="draft" :lengths="lengths" :faults="faults" />
      <FieldGrid :min="150" low>
        <ValueField
          class="few"
          label="How many are here"
          kind="count"
          :model-value="here"
          :lengths="lengths"
          :wrong="faults['/here']"
          @update:model-value="(v) => (here = v)"
        />
      </FieldGrid>
      <p class="row">
        <button type="button" class="press main" @click="add">Add it</button>
        <button type="button" class="press" @click="adding = false">Leave it</button>
        <span v-if="trouble" class="wrong" role="alert">{{ trouble }}</span>
      </p>
    </section>
    <p v-if="lines && !lines.length && !adding" class="soft">
      Nothing is entered yet. Until something is, no part says that stock is missing.
    </p>
    <p v-else-if="lines && !listed.length" class="soft">Nothing like that lies here.</p>
    <ul class="lines">
      <li v-for="l in listed.slice(0, most)" :key="l.line.id" :data-line="l.line.label || l.line.id">
        <button type="button" class="line" :aria-expanded="chosen === l.line.id" @click="look(l)">
          <span class="what"
            ><b>{{ l.called }}</b
            ><span v-if="l.line.place" class="soft"> · {{ l.line.place }}</span></span
          >
          <span v-if="l.ordered" class="soft">{{ +l.ordered.toFixed(3) }} on the way</span>
          <span v-if="few(l)" class="mind">too few</span>
          <span class="num" :class="{ none: l.free <= 0 }"
            >{{ +l.free.toFixed(3) }} free<template v-if="l.free !== l.here"> of {{ +l.here.toFixed(3) }}</template>
            {{ l.line.unit }}</span
          >
        </button>
        <div v-if="chosen === l.line.id && draft" class="opened">
          <p v-if="l.line.note">{{ l.line.note }}</p>
          <GoodsMove :of="l" :lengths="lengths" />
          <details>
            <summary>What is said of it</summary>
            <GoodsForm v-model="draft" fixed :lengths="lengths" :faults="faults" />
            <p class="row">
              <button type="button" class="press main tight" @click="keep(l)">Keep the changes</button>
              <button type="button" class="press tight" @click="away(l)">Put the line away</button>
              <span v-if="trouble" class="wrong" role="alert">{{ trouble }}</span>
            </p>
          </details>
        </div>
      </li>
    </ul>
    <p v-if="listed.length > most" class="row">
      {{ listed.length - most }} more: narrow it by a few letters, or
      <button type="button" class="press tight" @click="most += 200">show more</button>
    </p>
  </div>
</template>

<style scoped>
.few {
  max-width: 180px;
}
.stock {
  display: grid;
  gap: 14px;
  align-content: start;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
}
.bar {
  flex-wrap: wrap;
  align-items: end;
  gap: 10px 16px;
}
.adding {
  display: grid;
  gap: 12px;
  border: 2px solid var(--rule-strong);
  padding: 14px;
  background: var(--sheet);
}
.lines {
  list-style: none;
  margin: 0;
  padding: 0;
}
.lines > li {
  border-top: 1px solid var(--rule);
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  width: 100%;
  min-height: var(--touch);
  padding: 8px 4px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.what {
  flex: 1 1 260px;
}
.line .num {
  font-size: 1.1rem;
}
.none {
  color: var(--stop);
}
.mind {
  color: var(--mind);
  font-weight: 600;
}
.opened {
  display: grid;
  gap: 14px;
  padding: 4px 4px 18px 16px;
  border-left: 3px solid var(--ember);
}
summary {
  min-height: 32px;
  cursor: pointer;
}
</style>
