<script setup lang="ts">
// The part in several sheets side by side; one press takes one, with the reason why.
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import { useStock } from '@/api/queries'
import type { components } from '@/api/schema'
import { useAmounts } from '@/kit/amounts'
import FieldGrid from '@/kit/FieldGrid.vue'
import SearchPick from '@/kit/SearchPick.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'
import { useGoods } from '@/shop/useGoods'
import CutRoutes from './CutRoutes.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const part = computed(() => props.bench.part.value!)
const recipe = computed(() => part.value.recipe.value!)
const inches = computed(() => props.bench.style().unit !== 'mm')
const { mass } = useAmounts(() => inches.value)
const { data: stock } = useStock()
const { data: goods } = useGoods()
type Try = components['schemas']['TradeTry']
const tries = ref<Try[]>([])
const traded = ref<components['schemas']['Traded'][]>()
const material = ref(recipe.value.material)
const thickness = ref<number | null>(recipe.value.thickness)
const reason = ref('')
const busy = ref(false)
const trouble = ref('')
const materials = computed(() => (stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })))
const same = (a: Try, b: Try) => a.material === b.material && Math.abs(a.thickness - b.thickness) < 1e-9
const now = computed((): Try => ({ material: recipe.value.material, thickness: recipe.value.thickness }))

/** What is now, what is asked for, and the sheets that lie in the shop. */
async function compare(more?: Try) {
  if (more && !tries.value.some((t) => same(t, more))) tries.value.push(more)
  const lying = (goods.value ?? [])
    .filter((l) => (l.line.kind === 'sheet' || l.line.kind === 'remnant') && l.free > 0)
    .map((l) => ({ material: l.line.material!, thickness: l.line.thickness! }))
  const all = [now.value, ...tries.value, ...lying].filter((t, i, list) => list.findIndex((x) => same(x, t)) === i).slice(0, 10)
  busy.value = true
  trouble.value = ''
  try {
    traded.value = (await take(api.POST('/api/v1/trade', { body: { part: part.value.asked(), tries: all } }))).traded
  } catch (e) {
    trouble.value = words(e)
  } finally {
    busy.value = false
  }
}
function takeIt(t: components['schemas']['Traded']) {
  part.value.apply({ label: t.name, edits: t.edits })
  traded.value = undefined
  if (!reason.value) return
  const reasons = recipe.value.reasons?.filter((r) => !(r.feature === 'sheet' && r.size === '/thickness')) ?? []
  part.value.set('/reasons', [
    ...reasons,
    { feature: 'sheet', size: '/thickness', value: t.thickness, why: `${t.name}, ${t.thick}: ${reason.value}` },
  ])
}
const because = computed(() => part.value.built.value?.dimensions.find((d) => d.path === '/thickness')?.why)
const times = (v: number) => (v >= 10 ? v.toFixed(0) : v.toFixed(2))
const show = ref('')
const name = (t: Try) => `${t.material} ${t.thickness}`
</script>

<template>
  <div class="trade">
    <FieldGrid :min="150" low>
      <SearchPick v-model="material" label="Try it in" :choices="materials" />
      <ValueField
        label="Thick"
        :model-value="thickness"
        :lengths="bench.style()"
        :wrong="trouble.includes('thickness') ? trouble : undefined"
        @update:model-value="(v) => (thickness = v)"
      />
      <button
        type="button"
        class="press main side"
        :disabled="busy || !thickness"
        @click="compare({ material, thickness: thickness! })"
      >
        Compare
      </button>
      <button type="button" class="press side" :disabled="busy" @click="compare()">With what lies in the shop</button>
    </FieldGrid>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <p v-if="because">
      It is of its sheet because: <b>{{ because }}</b>
    </p>
    <ul v-if="traded" class="rows" aria-label="The part in several sheets">
      <li v-for="t in traded" :key="name(t)" :data-trade="name(t)">
        <p class="row first">
          <b class="what">{{ t.name }}, {{ t.thick }}</b>
          <template v-if="!t.why">
            <span class="num">{{ mass(t.mass, 2) }}</span>
            <span
              ><span class="num">× {{ times(t.stiffness) }}</span> stiff</span
            >
            <span
              ><span class="num">× {{ times(t.strength) }}</span> strong</span
            >
            <WhyButton v-if="t.working && !t.now" :name="`stiffness of ${t.name}`" :working="t.working" />
          </template>
          <span v-if="t.now" class="soft">now</span>
          <button v-else-if="!t.why" type="button" class="press tight" @click="takeIt(t)">Take it</button>
        </p>
        <p v-if="t.why">{{ t.why }}</p>
        <p v-else class="soft">
          Blank {{ t.blank }} · {{ t.cost != null ? `${t.cost.toFixed(2)} by its weight` : 'no price by weight in the Shop' }} ·
          {{ t.stock ? `${+t.free!.toFixed(2)} free: ${t.stock}` : 'nothing in stock takes it' }}
        </p>
        <template v-if="t.held">
          <p v-if="t.held.verdict" class="held">
            <VerdictLine :utilisation="t.held.use" :verdict="t.held.verdict" :label="t.name" />
            <span class="soft">{{ t.held.hardest }}</span>
          </p>
          <p v-if="t.held.harms" class="stop">{{ t.held.harms }}</p>
          <p v-for="x in t.held.rusts" :key="x">{{ x }}</p>
        </template>
        <p v-if="t.radii.length" class="soft">Larger radii: {{ t.radii.join('; ') }}</p>
        <button
          v-if="t.stops.length + t.minds.length"
          type="button"
          class="press tight bare"
          :aria-expanded="show === name(t)"
          @click="show = show === name(t) ? '' : name(t)"
        >
          <b v-if="t.stops.length" class="stop">{{ t.stops.length }} stop</b
          ><template v-if="t.stops.length && t.minds.length">, </template
          ><template v-if="t.minds.length">{{ t.minds.length }} mind</template>
        </button>
        <ul v-if="show === name(t)" class="flags">
          <li v-for="x in t.stops" :key="x" class="stop">{{ x }}</li>
          <li v-for="x in t.minds" :key="x">{{ x }}</li>
        </ul>
      </li>
    </ul>
    <TextField v-if="traded" v-model="reason" label="Why it is taken (it is printed)" />
    <p class="soft small">
      Stiffness and strength are those of a plate in bending. Where the part is in a bracket or a joint of its job, those are
      asked too, and all they touch.
    </p>
    <CutRoutes :bench="bench" />
  </div>
</template>

<style scoped>
.trade {
  display: grid;
  gap: 12px;
}
.side {
  align-self: end;
}
.rows {
  list-style: none;
  margin: 0;
  padding: 0;
}
.rows > li {
  border-top: 1px solid var(--rule);
  padding: 8px 0;
}
.first {
  flex-wrap: wrap;
  gap: 4px 16px;
}
.what {
  flex: 1 1 220px;
}
.first .num {
  font-size: 1.1rem;
}
.flags {
  margin: 4px 0 0;
  padding-left: 18px;
}
.held {
  display: grid;
  grid-template-columns: minmax(180px, 260px) 1fr;
  gap: 4px 16px;
  align-items: center;
}
.stop {
  color: var(--stop);
}
</style>
