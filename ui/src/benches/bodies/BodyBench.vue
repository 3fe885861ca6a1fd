<script setup lang="ts">
// A body of flat panels between points: list and drawing in step, its edges, its blanks.
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { words } from '@/api/client'
import { newId } from '@/api/ids'
import { useJob } from '@/api/queries'
import { mayBe, wordsOf } from '@/api/words'
import ThingStrip from '@/benches/ThingStrip.vue'
import MaterialPick from '@/benches/frames/MaterialPick.vue'
import RowList from '@/benches/frames/RowList.vue'
import { useRail } from '@/device'
import DocumentBar from '@/documents/DocumentBar.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import FlagList from '@/kit/FlagList.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import BlankList from './BlankList.vue'
import OrderPress from '@/benches/OrderPress.vue'
import { useWeldOrder } from '@/benches/weldOrder'
import FlatsView from './FlatsView.vue'
import FitRow from './FitRow.vue'
import PanelRow from './PanelRow.vue'
import PointRow from './PointRow.vue'
import SeamTable from './SeamTable.vue'
import StartBody from './StartBody.vue'
import SurveyedPoints from './SurveyedPoints.vue'
import { useBody, type FacetFit, type FacetPanel, type FacetPoint } from './useBody'

const BodyView = defineAsyncComponent(() => import('./BodyView.vue'))
const props = defineProps<{ job: string; body?: string }>()
const rail = useRail()
const { data: page, error } = useJob(() => props.job)
const open = useBody(
  () => props.job,
  () => props.body ?? '',
)
watch(
  () => [props.body, page.value] as const,
  ([id]) => {
    rail.job = props.job
    if (id) rail.part = `body/${id}`
  },
  { immediate: true },
)
const worked = open.worked
const findings = computed(() => worked.value?.findings ?? [])
watch(findings, (f) => (rail.stops = f.filter((x) => x.severity === 'stop').length))
const edge = ref<string[]>()
const welding = useWeldOrder(
  () => props.job,
  () => props.body ?? '',
  () => page.value?.job.revision,
)
// Corners tapped one after the other are a new panel.
const picked = ref<string[]>([])
const seen = ref<'body' | 'flats'>('body')
const sights = [
  { value: 'body' as const, text: 'as it stands' },
  { value: 'flats' as const, text: 'as it is cut' },
]
const naming = ref(false)
function took(id: string) {
  const point = open.doc.value?.points?.some((p) => p.id === id)
  if (!naming.value || !point) return open.choose(id)
  if (picked.value.length > 2 && id === picked.value[0]) return close()
  if (!picked.value.includes(id)) picked.value = [...picked.value, id]
}
function close() {
  if (picked.value.length > 2) {
    const list = open.doc.value?.panels ?? []
    const made = { id: newId(), name: `Panel ${list.length + 1}`, points: picked.value }
    open.set('/panels', [...list, made])
    open.choose(made.id)
  }
  naming.value = false
  picked.value = []
}
const word = computed(() =>
  !naming.value
    ? 'Name a panel by its corners'
    : picked.value.length < 3
      ? `Tap corner ${picked.value.length + 1}`
      : 'Close the panel',
)
const point = (): FacetPoint => {
  const p = { id: newId(), name: `Point ${(open.doc.value?.points?.length ?? 0) + 1}`, x: 0, y: 0, z: 0 }
  open.choose(p.id)
  return p
}
const panel = (): FacetPanel => {
  const p = { id: newId(), name: `Panel ${(open.doc.value?.panels?.length ?? 0) + 1}`, points: [] }
  open.choose(p.id)
  return p
}
/** A box in the middle of the points, a third as large as they reach. */
const fit = (): FacetFit => {
  const spots = (worked.value?.points ?? []).flatMap((p) => (p.at ? [p.at as unknown as number[]] : []))
  const unit = open.style.value.unit === 'mm' ? 1 : 6.35
  const step = (mm: number) => Math.round(mm / unit) * unit
  const axis = (k: number) => {
    const list = spots.map((v) => v[k]!)
    const [lo, hi] = list.length ? [Math.min(...list), Math.max(...list)] : [0, 300]
    const size = Math.max(step((hi - lo) / 3), 25.4)
    return { size, low: step((lo + hi - size) / 2) }
  }
  const [x, y, z] = [axis(0), axis(1), axis(2)]
  const made = { id: newId(), name: '', x: x.low, y: y.low, z: z.low, long: x.size, wide: y.size, high: z.size, gap: 0 }
  open.choose(made.id)
  return made
}
const says = (p: FacetPoint) => worked.value?.points.find((x) => x.id === p.id)?.text ?? ''
const area = (p: FacetPanel) => {
  const x = worked.value?.panels.find((q) => q.id === p.id)
  return x ? (x.off ? `not flat by ${x.off}` : x.area) : `${p.points.length} corners`
}
const whole = computed(() => ({ ...open, doc: open.head }))
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }} <RouterLink to="/jobs">Back to the jobs</RouterLink></p>
  <StartBody v-else-if="page && !body" :job="page.job" />
  <p v-else-if="open.error.value" class="page wrong" role="alert">
    {{ words(open.error.value) }} <RouterLink :to="`/jobs/${job}/shape`">Back to the parts</RouterLink>
  </p>
  <div v-else-if="page && open.doc.value && worked && open.view.value" class="bench" :data-revision="open.view.value.revision">
    <ThingStrip :page="page" kind="body" :id="body!" :name="open.head.value!.name" :send="open.send">
      <DocumentBar :open="whole" />
    </ThingStrip>
    <div class="side">
      <section>
        <FieldGrid :min="160" low>
          <TextField
            label="Its name"
            :model-value="open.head.value!.name"
            :maxlength="80"
            @update:model-value="(v) => open.setHead('/name', v)"
          />
          <ValueField
            label="How many"
            kind="count"
            :model-value="open.head.value!.quantity"
            :lengths="open.style.value"
            @update:model-value="(v) => open.setHead('/quantity', v)"
          />
          <MaterialPick :model-value="open.doc.value.material" @update:model-value="(v) => open.set('/material', v)" />
          <ValueField
            label="Sheet, thick"
            :model-value="open.doc.value.thickness"
            :lengths="open.style.value"
            :wrong="open.fault('/thickness')"
            @update:model-value="(v) => open.set('/thickness', v)"
          />
          <ValueField
            label="Inside radius of its bends"
            :model-value="open.doc.value.insideRadius"
            :lengths="open.style.value"
            :wrong="open.fault('/insideRadius')"
            @update:model-value="(v) => open.set('/insideRadius', v)"
          />
          <PickOne
            label="Its blanks are cut by"
            :choices="mayBe('Recipe', 'process')"
            :model-value="open.doc.value.process"
            @update:model-value="(v) => v && open.set('/process', v)"
          />
        </FieldGrid>
        <label class="tick">
          <input
            type="checkbox"
            :checked="open.doc.value.hand?.pair ?? false"
            @change="open.set('/hand', ($event.target as HTMLInputElement).checked ? { pair: true, drawn: 'left' } : undefined)"
          />
          Left and right pair
        </label>
        <ChoiceRow
          label="Its points lie on"
          :choices="wordsOf('Facets', 'side')"
          :model-value="open.doc.value.side"
          @update:model-value="(v) => open.set('/side', v)"
        />
      </section>
      <BlankList v-if="worked.blanks.length" :key="body!" :open="open" :job="job" :id="body!" />
      <section>
        <h2>Edges</h2>
        <SeamTable :open="open" @look="(e) => (edge = e)" />
      </section>
      <section>
        <h2>Panels</h2>
        <RowList
          :rows="open.doc.value.panels ?? []"
          :open="open.chosen.value"
          add="Panel"
          word="panel"
          :name="(p) => open.panel(p.id)"
          :says="area"
          :make="panel"
          @open="open.choose"
          @change="(v) => open.set('/panels', v)"
        >
          <template #default="{ index }"><PanelRow :open="open" :index="index" /></template>
        </RowList>
      </section>
      <section>
        <h2>Points</h2>
        <RowList
          :rows="open.doc.value.points ?? []"
          :open="open.chosen.value"
          add="Point"
          word="point"
          :name="(p) => open.called(p.id)"
          :says="says"
          :make="point"
          @open="open.choose"
          @change="(v) => open.set('/points', v)"
        >
          <template #default="{ index }"><PointRow :open="open" :index="index" /></template>
        </RowList>
        <p class="soft small">x forward, y to the left, z up, in the body's own axes.</p>
        <SurveyedPoints :key="body!" :open="open" :job="job" />
      </section>
      <section>
        <h2>What must fit inside</h2>
        <RowList
          :rows="open.doc.value.fits ?? []"
          :open="open.chosen.value"
          add="Thing"
          word="thing"
          :name="(f) => f.name || 'Thing'"
          :says="(f) => worked!.fits.find((x) => x.id === f.id)?.text ?? ''"
          :make="fit"
          @open="open.choose"
          @change="(v) => open.set('/fits', v)"
        >
          <template #default="{ index }"><FitRow :open="open" :index="index" /></template>
        </RowList>
      </section>
    </div>
    <div class="drawn">
      <div class="views">
        <ChoiceRow v-model="seen" label="Drawn" hide-label :choices="sights" />
        <BodyView
          v-if="seen === 'body'"
          :open="open"
          :picked="picked"
          :edge="edge"
          :numbers="welding.numbers.value"
          :runs="welding.lines.value"
          @choose="took"
        />
        <FlatsView v-else :key="body!" :open="open" @choose="took" />
      </div>
      <div class="under">
        <p v-if="worked.why" class="wrong" role="status">{{ worked.why }}</p>
        <span v-for="f in worked.figures" :key="f.key" class="small" :data-figure="f.key">
          <span class="soft">{{ f.name }}</span> <b class="num">{{ f.text }}</b>
          <WhyButton v-if="f.working" :name="f.name" :working="f.working" />
        </span>
        <button
          type="button"
          class="press tight"
          :aria-pressed="naming"
          @click="naming ? close() : ((naming = true), (picked = []))"
        >
          {{ word }}
        </button>
        <OrderPress v-if="worked.edges.some((e) => !e.free && e.kind !== 'bend')" :welding="welding" />
      </div>
      <div v-if="findings.length" class="flags" tabindex="0" role="region" aria-label="Flags">
        <FlagList :findings="findings" firm @look="(id) => open.choose(id)">
          <template #more="{ finding }">
            <button
              v-if="finding.code === 'facet.moved'"
              type="button"
              class="press tight"
              @click="open.takeAgain(finding.feature!)"
            >
              Take it over again
            </button>
          </template>
        </FlagList>
      </div>
    </div>
  </div>
  <p v-else class="page soft">Fetching the body.</p>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(460px, 1fr) minmax(0, 1.1fr);
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
}
.bench > :first-child {
  grid-column: 1 / -1;
}
.side {
  position: relative;
  overflow: auto;
  min-height: 0;
  border-right: 1px solid var(--rule);
  padding: 12px 16px 60px;
  display: grid;
  gap: 22px;
  align-content: start;
}
.side :deep(section) {
  display: grid;
  gap: 8px;
  min-width: 0;
}
.side :deep(h2) {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
}
.drawn {
  display: grid;
  grid-template-rows: minmax(240px, 1fr) auto auto;
  min-height: 0;
  padding: 8px;
  gap: 8px;
}
.views {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 6px;
  min-height: 0;
}
.under {
  grid-row: 2; /* the view above comes later: nothing is to jump then */
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: baseline;
}
.flags {
  grid-row: 3;
  position: relative;
  max-height: 200px;
  overflow: auto;
}
@media (max-width: 1000px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto auto;
    height: auto;
  }
  .drawn {
    grid-row: 2;
    grid-template-rows: minmax(260px, 34dvh) auto auto;
  }
  .side {
    grid-row: 3;
    border-right: 0;
  }
}
</style>
