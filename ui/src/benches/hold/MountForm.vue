<script setup lang="ts">
// How the bracket is mounted: which holes, which way up, which bolts, which
// feet stand on it.
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import { useStock } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const { data: stock } = useStock()
const mount = computed(() => props.open.brief.value!.mounts![props.at]!)
const hold = computed(() => mount.value.hold)
const { set } = props.open.under(() => `/mounts/${props.at}` as const)
const parts = computed(() => (props.open.page.value?.parts ?? []).map((p) => ({ value: p.id, text: p.name })))
const devices = computed(() => [
  { value: '', text: 'nothing yet' },
  ...(props.open.brief.value?.devices ?? []).map((d) => ({ value: d.id, text: d.name || 'No name yet' })),
])
const doubler = computed(
  () =>
    props.view?.holding.mounts.find((h) => h.mount.id === mount.value.id)?.doubler ??
    '0 for none; same metal, two diameters past the bolts',
)
const device = computed(() => props.open.brief.value?.devices?.find((d) => d.id === mount.value.device))
const pair = computed(() => props.open.page.value?.parts.find((p) => p.id === mount.value.part)?.pair ?? false)
const features = computed(() => (props.view?.features ?? []).filter((f) => f.part === mount.value.part))
type List = 'fasten' | 'carry'
const has = (list: List, id: string) => (hold.value[list] ?? []).includes(id)
const flip = (list: List, id: string) => {
  const now = hold.value[list] ?? []
  set(`/hold/${list}`, now.includes(id) ? now.filter((x) => x !== id) : [...now, id])
}
const stands = (list: 'feet' | 'twinFeet', i: number) => (mount.value[list] ?? []).includes(i)
const stand = (list: 'feet' | 'twinFeet', i: number) => {
  const now = mount.value[list] ?? []
  set(`/${list}`, now.includes(i) ? now.filter((x) => x !== i) : [...now, i].sort((a, b) => a - b))
}
const threads = computed(() =>
  (stock.value?.threads ?? [])
    .filter((t) => t.system === hold.value.bolts.system)
    .map((t) => ({
      value: `${t.size} ${t.pitch}`,
      text: t.system === 'inch' ? `${t.size}-${t.pitch}` : `${t.size} × ${t.pitch}`,
    })),
)
const grades = computed(() =>
  [...new Set((stock.value?.grades ?? []).filter((g) => g.system === hold.value.bolts.system).map((g) => g.name))].map((g) => ({
    value: g,
    text: g,
  })),
)
function setThread(v: string) {
  const cut = v.lastIndexOf(' ')
  set('/hold/bolts', { ...hold.value.bolts, size: v.slice(0, cut), pitch: Number(v.slice(cut + 1)) })
}
function setSystem(v: 'inch' | 'metric') {
  set(
    '/hold/bolts',
    v === 'inch'
      ? { ...hold.value.bolts, system: v, size: '3/8', pitch: 16, grade: 'SAE 5' }
      : { ...hold.value.bolts, system: v, size: 'M10', pitch: 1.5, grade: '8.8' },
  )
}
const ways = [
  { value: '+z' as const, text: 'good side of the base' },
  { value: '-z' as const, text: 'back of the base' },
  { value: '+y' as const, text: 'back edge of the base' },
  { value: '-y' as const, text: 'front edge of the base' },
  { value: '+x' as const, text: 'right edge of the base' },
  { value: '-x' as const, text: 'left edge of the base' },
]
const flat = computed(() => ways.filter((w) => w.value[1] !== hold.value.up[1]))
function setUp(v: (typeof ways)[number]['value']) {
  const next = { ...hold.value, up: v }
  if (next.forward[1] === v[1]) next.forward = v[1] === 'x' ? '+y' : '+x'
  set('/hold', next)
}
</script>

<template>
  <section class="stack">
    <h2>How it is mounted</h2>
    <div class="cells">
      <PickOne label="Part" :choices="parts" :model-value="mount.part" @update:model-value="(v) => set('/part', v)" />
      <PickOne
        label="It carries"
        :choices="devices"
        :model-value="mount.device ?? ''"
        @update:model-value="(v) => set('/device', v || undefined)"
      />
    </div>
    <div class="cells">
      <fieldset v-for="list in ['fasten', 'carry'] as const" :key="list">
        <legend class="label">{{ list === 'fasten' ? 'Bolted to the vehicle through' : 'Carries the foot on' }}</legend>
        <label v-for="f in features" :key="f.id" class="tick">
          <input type="checkbox" :checked="has(list, f.id)" @change="flip(list, f.id)" />
          <span
            >{{ f.name }} <span class="soft small">{{ f.count }} × {{ f.size }}</span></span
          >
        </label>
        <p v-if="!features.length" class="soft small">The part has no hole yet.</p>
      </fieldset>
      <fieldset v-if="device?.feet?.length">
        <legend class="label">Feet of {{ device.name }} on the part as drawn</legend>
        <label v-for="(f, i) in device.feet" :key="i" class="tick">
          <input type="checkbox" :checked="stands('feet', i)" @change="stand('feet', i)" /> {{ i + 1 }}
          <span class="soft small">{{ f.x >= 0 ? 'front' : 'rear' }} {{ f.y >= 0 ? 'left' : 'right' }}</span>
        </label>
      </fieldset>
      <fieldset v-if="device?.feet?.length && pair">
        <legend class="label">Feet on its twin, mounted as the mirror image</legend>
        <label v-for="(f, i) in device.feet" :key="i" class="tick">
          <input type="checkbox" :checked="stands('twinFeet', i)" @change="stand('twinFeet', i)" /> {{ i + 1 }}
          <span class="soft small">{{ f.x >= 0 ? 'front' : 'rear' }} {{ f.y >= 0 ? 'left' : 'right' }}</span>
        </label>
      </fieldset>
    </div>
    <div class="cells">
      <PickOne label="Up points the" :choices="ways" :model-value="hold.up" @update:model-value="setUp" />
      <PickOne
        label="Forward points the"
        :choices="flat"
        :model-value="hold.forward"
        @update:model-value="(v) => set('/hold/forward', v)"
      />
      <ChoiceRow
        label="On the vehicle lies its"
        :choices="[
          { value: 'back', text: 'back' },
          { value: 'good', text: 'good side' },
        ]"
        :model-value="hold.against"
        @update:model-value="(v) => set('/hold/against', v)"
      />
      <label class="tick"
        ><input
          type="checkbox"
          :checked="hold.backed"
          @change="set('/hold/backed', ($event.target as HTMLInputElement).checked)"
        />
        what it is bolted to reaches under the whole face</label
      >
    </div>
    <div class="cells">
      <ChoiceRow
        label="Bolts"
        :choices="[
          { value: 'metric', text: 'metric' },
          { value: 'inch', text: 'inch' },
        ]"
        :model-value="hold.bolts.system"
        @update:model-value="setSystem"
      />
      <PickOne
        label="Thread"
        :choices="threads"
        :model-value="`${hold.bolts.size} ${hold.bolts.pitch}`"
        @update:model-value="setThread"
      />
      <PickOne
        label="Class"
        :choices="grades"
        :model-value="hold.bolts.grade"
        @update:model-value="(v) => set('/hold/bolts/grade', v)"
      />
      <ValueField
        label="Washer on the sheet, outside"
        :model-value="hold.bolts.washer ?? 0"
        :lengths="open.style.value"
        @update:model-value="(v) => set('/hold/bolts/washer', v)"
      />
      <ValueField
        label="Doubler under their heads"
        :model-value="hold.doubler ?? 0"
        :lengths="open.style.value"
        :note="doubler"
        @update:model-value="(v) => set('/hold/doubler', v || undefined)"
      />
      <label class="tick"
        ><input
          type="checkbox"
          :checked="hold.bolts.threadsInPlane"
          @change="set('/hold/bolts/threadsInPlane', ($event.target as HTMLInputElement).checked)"
        />
        threads in the shear plane</label
      >
    </div>
    <div class="cells">
      <ChoiceRow
        label="In the plane, shared by"
        :choices="[
          { value: 'elastic', text: 'elastic vectors' },
          { value: 'icr', text: 'instantaneous centre' },
        ]"
        :model-value="hold.inPlane"
        @update:model-value="(v) => set('/hold/inPlane', v)"
      />
      <ChoiceRow
        label="Out of the plane, turning about"
        :choices="[
          { value: 'centroid', text: 'the bolts’ middle' },
          { value: 'edge', text: 'the plate’s edge' },
        ]"
        :model-value="hold.outPlane"
        @update:model-value="(v) => set('/hold/outPlane', v)"
      />
    </div>
  </section>
</template>

<style scoped>
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 12px 20px;
  align-items: end;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
  align-self: start;
  display: grid;
}
.tick {
  min-height: 40px;
}
.tick input {
  flex: none;
}
</style>
