<script setup lang="ts">
// What holds the frame and what it carries.
import { useAmounts } from '@/kit/amounts'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { shows, wordOf, wordsOf } from '@/api/words'
import { useBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import RowList from './RowList.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame }>()
const doc = computed(() => props.open.doc.value!)
const { mass, linear } = useAmounts()
const brief = useBrief(() => props.open.view.value?.jobId ?? '')
const factored = computed(() => brief.brief.value?.strength?.school === 'factored')
const devices = computed(() => [
  { value: '', text: 'choose a device' },
  ...(brief.brief.value?.devices ?? []).map((d) => ({ value: d.id, text: d.name || 'no name yet' })),
])
const targets = computed(() => [
  { value: '', text: 'none' },
  ...(brief.brief.value?.targets ?? []).filter((t) => t.unit === 'mm').map((t) => ({ value: t.id, text: t.text })),
])
const supports = computed(() => (doc.value.supports ?? []).map((s) => ({ ...s, id: `support ${s.point}` })))
const pointName = (id: string) => doc.value.points?.find((p) => p.id === id)?.name || 'choose a point'
const { choose } = props.open
type Support = (typeof supports.value)[number]
function support(): Support {
  const free = doc.value.points?.find((p) => !doc.value.supports?.some((s) => s.point === p.id))
  const id = `support ${free?.id ?? ''}`
  choose(id)
  return { id, point: free?.id ?? '', kind: 'fixed' }
}
/** A support is known by its point. */
const keep = (list: Support[]) =>
  props.open.set(
    '/supports',
    list.map((s) => ({ ...s, id: undefined }) as Omit<Support, 'id'>),
  )
function load() {
  const id = newId()
  choose(id)
  return { id, name: `Load ${(doc.value.loads?.length ?? 0) + 1}`, kind: 'mass' as const, kilos: 50 }
}
function says(l: { kind: string; kilos?: number; device?: string }) {
  const d = devices.value.find((x) => x.value === l.device)?.text
  return l.kind === 'device'
    ? (d ?? '')
    : l.kind === 'force'
      ? 'force'
      : l.kind === 'uniform'
        ? linear(l.kilos ?? 0)
        : mass(l.kilos ?? 0)
}
function toggle(i: number, id: string) {
  const l = doc.value.loads![i]!
  const next = new Set(l.points ?? [])
  if (!next.delete(id)) next.add(id)
  props.open.set(`/loads/${i}`, { ...l, points: [...next], member: undefined })
}
const shakes = [
  ['road', 'Road shakes it up to, Hz', 15],
  ['idle', 'Engine idles at, turns a minute', 0],
  ['cruise', 'Engine under way, turns a minute', 0],
  ['cylinders', 'Cylinders, four-stroke', 0],
] as const
</script>

<template>
  <div class="sheet">
    <section>
      <h2>Held at</h2>
      <RowList
        :rows="supports"
        :open="open.chosen.value"
        add="Support"
        word="support at"
        :name="(s) => pointName(s.point)"
        :says="(s) => wordOf('MemberSupport', 'kind', s.kind)?.text ?? ''"
        @open="choose"
        :make="support"
        @change="keep"
      >
        <template #default="{ row, index }">
          <PickOne
            label="Point"
            :choices="open.points.value"
            :model-value="row.point"
            @update:model-value="(v) => (open.set(`/supports/${index}/point`, v), choose(`support ${v}`))"
          />
          <PickOne
            label="How"
            :choices="wordsOf('MemberSupport', 'kind')"
            :model-value="row.kind"
            @update:model-value="(v) => open.set(`/supports/${index}/kind`, v)"
          />
          <ChoiceRow
            v-if="shows('MemberSupport', 'kind', row.kind, 'slide')"
            label="It may go"
            :choices="wordsOf('MemberSupport', 'slide')"
            :model-value="row.slide"
            @update:model-value="(v) => open.set(`/supports/${index}/slide`, v)"
          />
          <div v-if="shows('MemberSupport', 'kind', row.kind, 'soft')" class="cells three">
            <ValueField
              v-for="(w, k) in ['Forward', 'Sideways', 'Up']"
              :key="w"
              :label="w"
              kind="rate"
              :model-value="row.soft?.[k] ?? 0"
              :wrong="open.fault(`/supports/${index}/soft/${k}`)"
              :lengths="open.style.value"
              @update:model-value="
                (v) =>
                  open.set(
                    `/supports/${index}/soft`,
                    [0, 1, 2].map((i) => (i === k ? v : (row.soft?.[i] ?? 0))),
                  )
              "
            />
          </div>
        </template>
      </RowList>
    </section>
    <section>
      <h2>Carries</h2>
      <p class="soft small">Its own weight counts already. Road cases come from the brief.</p>
      <RowList
        :rows="doc.loads ?? []"
        :open="open.chosen.value"
        add="Load"
        word="load"
        :name="(l) => l.name"
        :says="says"
        @open="choose"
        :make="load"
        @change="(v) => open.set('/loads', v)"
      >
        <template #default="{ row, index }">
          <TextField label="Name" :model-value="row.name" @update:model-value="(v) => open.set(`/loads/${index}/name`, v)" />
          <ChoiceRow
            label="It is"
            :choices="wordsOf('MemberLoad', 'kind')"
            :model-value="row.kind"
            @update:model-value="(v) => open.set(`/loads/${index}/kind`, v)"
          />
          <PickOne
            v-if="row.kind === 'device'"
            label="Device of the brief"
            :choices="devices"
            :model-value="row.device ?? ''"
            @update:model-value="(v) => open.set(`/loads/${index}/device`, v)"
          />
          <div class="cells">
            <ValueField
              v-if="row.kind !== 'device' && row.kind !== 'force'"
              :label="row.kind === 'uniform' ? 'Mass of its length' : 'Mass'"
              :kind="row.kind === 'uniform' ? 'linear' : 'mass'"
              :model-value="row.kilos ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/loads/${index}/kilos`)"
              @update:model-value="(v) => open.set(`/loads/${index}/kilos`, v)"
            />
            <ValueField
              v-if="row.kind === 'person'"
              label="Stepping down, times the weight"
              kind="number"
              :model-value="row.factor || 2"
              :lengths="open.style.value"
              :wrong="open.fault(`/loads/${index}/factor`)"
              @update:model-value="(v) => open.set(`/loads/${index}/factor`, v)"
            />
            <template v-if="row.kind === 'force'">
              <p v-if="factored" class="soft small across">
                Type the force as it is: the factored school puts its load factor on it.
              </p>
              <ValueField
                v-for="(w, k) in ['Forward', 'Left', 'Up']"
                :key="w"
                :label="w"
                kind="force"
                :model-value="row.force?.[k] ?? 0"
                :wrong="open.fault(`/loads/${index}/force/${k}`)"
                :lengths="open.style.value"
                @update:model-value="
                  (v) =>
                    open.set(
                      `/loads/${index}/force`,
                      [0, 1, 2].map((i) => (i === k ? v : (row.force?.[i] ?? 0))),
                    )
                "
              />
            </template>
            <PickOne
              label="On a member"
              :choices="[{ value: '', text: 'no, on points' }, ...open.members.value.slice(1)]"
              :model-value="row.member ?? ''"
              @update:model-value="
                (v) => open.set(`/loads/${index}`, { ...row, member: v || undefined, points: v ? undefined : row.points })
              "
            />
            <ValueField
              v-if="row.member && row.kind !== 'uniform'"
              label="From its first point"
              :model-value="row.at ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/loads/${index}/at`)"
              @update:model-value="(v) => open.set(`/loads/${index}/at`, v)"
            />
            <ValueField
              v-if="!row.member && row.kind !== 'force'"
              label="Its centre of gravity above the points"
              :model-value="row.high ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/loads/${index}/high`)"
              @update:model-value="(v) => open.set(`/loads/${index}/high`, v || undefined)"
            />
          </div>
          <fieldset v-if="!row.member" class="which">
            <legend class="label">Points that share it</legend>
            <label v-for="p in doc.points ?? []" :key="p.id" class="tick">
              <input type="checkbox" :checked="row.points?.includes(p.id)" @change="toggle(index, p.id)" />{{
                p.name || 'no name yet'
              }}
            </label>
          </fieldset>
        </template>
      </RowList>
    </section>
    <section>
      <h2>How far it may move, and what shakes it</h2>
      <div class="cells">
        <ValueField
          label="It may move at most"
          :model-value="doc.sags || null"
          :lengths="open.style.value"
          :wrong="open.fault('/sags')"
          @update:model-value="(v) => open.set('/sags', v || undefined)"
        />
        <PickOne
          v-if="!doc.sags"
          label="or as the brief's target"
          :choices="targets"
          :model-value="doc.target ?? ''"
          @update:model-value="(v) => open.set('/target', v || undefined)"
        />
        <ValueField
          v-for="[key, text, usual] in shakes"
          :key="key"
          :label="text"
          kind="number"
          :model-value="doc.shakes?.[key] || usual || null"
          :lengths="open.style.value"
          :wrong="open.fault(`/shakes/${key}`)"
          @update:model-value="(v) => open.set('/shakes', { ...doc.shakes, [key]: v || undefined })"
        />
      </div>
    </section>
  </div>
</template>

<style scoped>
.across {
  grid-column: 1 / -1;
}
.which {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
</style>
