<script setup lang="ts">
// How the bracket is mounted: which holes, which way up, which bolts, which
// feet stand on it.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import { useStock } from '@/api/queries'
import { shopOf, wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const { data: stock } = useStock()
const mount = computed(() => props.open.brief.value!.mounts![props.at]!)
const hold = computed(() => mount.value.hold)
const { set, fault } = props.open.under(() => `/mounts/${props.at}` as const)
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
const stands = (list: 'feet' | 'twinFeet', id: string) => (mount.value[list] ?? []).includes(id)
/** They are kept in the device's order; one that is gone goes with the next press. */
const stand = (list: 'feet' | 'twinFeet', id: string) => {
  const now = mount.value[list] ?? []
  set(
    `/${list}`,
    (device.value?.feet ?? []).map((f) => f.id!).filter((x) => (x === id ? !now.includes(x) : now.includes(x))),
  )
}
const threads = computed(() =>
  (stock.value?.threads ?? [])
    .filter((t) => t.system === hold.value.bolts.system)
    .map((t) => ({
      value: `${t.size} ${t.pitch}`,
      text: t.name,
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
const setSystem = (v: 'inch' | 'metric') =>
  set('/hold/bolts', { ...shopOf(v === 'inch').hold.bolts, threadsInPlane: hold.value.bolts.threadsInPlane })
/** What may hold it: its bolts, or a welded joint of its part. */
const holders = computed(() => [
  { value: '', text: 'bolts' },
  ...(props.open.brief.value?.welded ?? [])
    .filter((w) => w.sides[0]!.kind === 'part' && w.sides[0]!.of === mount.value.part)
    .map((w) => ({ value: w.id, text: `the seams of ${w.name || 'a welded joint'}` })),
])
const ways = computed(() => wordsOf('HoldMount', 'up'))
const flat = computed(() => ways.value.filter((w) => w.value[1] !== hold.value.up[1]))
function setUp(v: (typeof hold.value)['up']) {
  const next = { ...hold.value, up: v }
  if (next.forward[1] === v[1]) next.forward = v[1] === 'x' ? '+y' : '+x'
  set('/hold', next)
}
</script>

<template>
  <section class="stack">
    <h2>How it is mounted</h2>
    <FieldGrid :min="230" keep low>
      <PickOne label="Part" :choices="parts" :model-value="mount.part" @update:model-value="(v) => set('/part', v)" />
      <PickOne
        v-if="holders.length > 1 || mount.welded"
        label="Held by"
        :choices="holders"
        :model-value="mount.welded ?? ''"
        @update:model-value="(v) => set('/welded', v || undefined)"
      />
      <PickOne
        label="It carries"
        :choices="devices"
        :model-value="mount.device ?? ''"
        @update:model-value="(v) => set('/device', v || undefined)"
      />
    </FieldGrid>
    <FieldGrid :min="230" keep low>
      <fieldset v-for="list in (mount.welded ? ['carry'] : ['fasten', 'carry']) as List[]" :key="list">
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
        <label v-for="(f, i) in device.feet" :key="f.id" class="tick">
          <input type="checkbox" :checked="stands('feet', f.id!)" @change="stand('feet', f.id!)" /> {{ i + 1 }}
          <span class="soft small">{{ f.x >= 0 ? 'front' : 'rear' }} {{ f.y >= 0 ? 'left' : 'right' }}</span>
        </label>
      </fieldset>
      <fieldset v-if="device?.feet?.length && pair">
        <legend class="label">Feet on its twin, mounted as the mirror image</legend>
        <label v-for="(f, i) in device.feet" :key="f.id" class="tick">
          <input type="checkbox" :checked="stands('twinFeet', f.id!)" @change="stand('twinFeet', f.id!)" /> {{ i + 1 }}
          <span class="soft small">{{ f.x >= 0 ? 'front' : 'rear' }} {{ f.y >= 0 ? 'left' : 'right' }}</span>
        </label>
      </fieldset>
    </FieldGrid>
    <FieldGrid :min="230" keep low>
      <PickOne label="Up points the" :choices="ways" :model-value="hold.up" @update:model-value="setUp" />
      <PickOne
        label="Forward points the"
        :choices="flat"
        :model-value="hold.forward"
        @update:model-value="(v) => set('/hold/forward', v)"
      />
      <ChoiceRow
        v-if="!mount.welded"
        label="On the vehicle lies its"
        :choices="wordsOf('HoldMount', 'against')"
        :model-value="hold.against"
        @update:model-value="(v) => set('/hold/against', v)"
      />
      <label v-if="!mount.welded" class="tick"
        ><input
          type="checkbox"
          :checked="hold.backed"
          @change="set('/hold/backed', ($event.target as HTMLInputElement).checked)"
        />
        what it is bolted to reaches under the whole face</label
      >
    </FieldGrid>
    <FieldGrid v-if="!mount.welded" :min="230" keep low>
      <ChoiceRow
        label="Bolts"
        :choices="wordsOf('HoldBolts', 'system')"
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
        :wrong="fault('/hold/bolts/washer')"
        @update:model-value="(v) => set('/hold/bolts/washer', v)"
      />
      <ValueField
        label="Doubler under their heads"
        :model-value="hold.doubler ?? 0"
        :lengths="open.style.value"
        :note="doubler"
        :wrong="fault('/hold/doubler')"
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
    </FieldGrid>
    <FieldGrid v-if="!mount.welded" :min="230" keep low>
      <ChoiceRow
        label="In the plane, shared by"
        :choices="wordsOf('HoldMount', 'inPlane')"
        :model-value="hold.inPlane"
        @update:model-value="(v) => set('/hold/inPlane', v)"
      />
      <ChoiceRow
        label="Out of the plane, turning about"
        :choices="wordsOf('HoldMount', 'outPlane')"
        :model-value="hold.outPlane"
        @update:model-value="(v) => set('/hold/outPlane', v)"
      />
    </FieldGrid>
  </section>
</template>

<style scoped>
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
