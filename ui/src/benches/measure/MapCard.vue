<script setup lang="ts">
// One hole map: holes, the distances between them, the map that comes out, the
// reading that is off or the one to take next.
import FieldGrid from '@/kit/FieldGrid.vue'
import { Trash2 } from '@lucide/vue'
import CardList from '@/kit/CardList.vue'
import { computed, ref, watch } from 'vue'
import { newId } from '@/api/ids'
import { mayGo } from '@/documents/leaving'
import { mayBe, wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ReadingField from '@/kit/ReadingField.vue'
import SaySo from '@/kit/SaySo.vue'
import TextField from '@/kit/TextField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import MapHoles from './MapHoles.vue'
import MapMeant from './MapMeant.vue'
import MapSketch from './MapSketch.vue'
import MapToPart from './MapToPart.vue'
import { usePoints } from './points'
import PictureFrame from '@/kit/PictureFrame.vue'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ open: OpenSurvey; index: number; job: string }>()
const at = computed(() => `/maps/${props.index}` as const)
const map = computed(() => props.open.survey.value!.maps![props.index]!)
const told = computed(() => props.open.worked.value?.maps.find((m) => m.id === map.value.id))
const name = (i: number) => map.value.holes[i]?.name || String(i + 1)
const holes = computed(() => map.value.holes.map((h, i) => ({ value: h.id, text: name(i) })))
const points = usePoints(props.open)
const others = computed(() => [
  { value: '', text: 'none' },
  ...(props.open.survey.value?.maps ?? []).filter((m) => m.id !== map.value.id).map((m) => ({ value: m.id, text: m.name })),
])
type Distance = (typeof map.value.readings)[number]
/** What is said of a distance: by its id, for the answer may be of the state before. */
const said = (r: Distance) => told.value?.readings.find((x) => x.id === r.id)
const off = (r: Distance) => !!told.value?.suspect && told.value.suspect === r.id
function reading(from?: string, to?: string, value?: number): Distance {
  const last = map.value.readings.at(-1)
  return {
    id: newId(),
    from: from ?? last?.from ?? map.value.holes[0]?.id ?? '',
    to: to ?? map.value.holes.find((h) => h.id !== (from ?? last?.from))?.id ?? '',
    tape: last?.tape,
    value: value === undefined ? {} : { values: [value], instrument: 'eye', trust: 'assumed' },
  }
}
const addReading = (from?: string, to?: string, value?: number) =>
  props.open.set(`${at.value}/readings`, [...map.value.readings, reading(from, to, value)])
// Open while there is something to do in them; they never close by themselves.
const wide = ref(map.value.readings.length < 4)
const holesWide = ref(!map.value.readings.length)
watch(
  () => told.value?.suspect,
  (s) => {
    if (s !== undefined) wide.value = true
  },
  { immediate: true },
)
async function remove() {
  const id = map.value.id
  if (!(await mayGo(id, map.value.name || 'This hole map'))) return
  const now = (props.open.survey.value?.maps ?? []).findIndex((m) => m.id === id)
  if (now >= 0) props.open.set(`/maps/${now}`, undefined)
}
const label = (id?: string) => holes.value.find((h) => h.value === id)?.text ?? ''
</script>

<template>
  <article class="map" :data-map="map.name">
    <div class="head">
      <FieldGrid :min="150" low>
        <TextField label="Hole map" :model-value="map.name" @update:model-value="(v) => open.set(`${at}/name`, v)" />
        <PickOne
          label="The wall faces"
          :choices="mayBe('HoleMap', 'face', 'not said')"
          :model-value="(map.face ?? '') as 'left'"
          @update:model-value="(v) => open.set(`${at}/face`, v || undefined)"
        />
        <PickOne
          label="Hole 1 is the point"
          :choices="points"
          :model-value="map.first ?? ''"
          @update:model-value="(v) => open.set(`${at}/first`, v || undefined)"
        />
        <PickOne
          label="Hole 2 lies towards"
          :choices="points"
          :model-value="map.second ?? ''"
          @update:model-value="(v) => open.set(`${at}/second`, v || undefined)"
        />
        <PickOne
          label="The other side's map"
          :choices="others"
          :model-value="map.other ?? ''"
          @update:model-value="(v) => open.set(`${at}/other`, v || undefined)"
        />
      </FieldGrid>
      <IconPress :icon="Trash2" :name="`Remove ${map.name}`" @click="remove" />
    </div>
    <div class="two">
      <div>
        <PictureFrame :name="map.name || 'hole map'">
          <MapSketch :map="map" :told="told" />
        </PictureFrame>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="map.below"
            @change="open.set(`${at}/below`, ($event.target as HTMLInputElement).checked || undefined)"
          />
          seen onto the face, hole 1 left of hole 2, the next hole lies below their line</label
        >
        <label class="tick"
          ><input
            type="checkbox"
            :checked="map.spots"
            @change="open.set(`${at}/spots`, ($event.target as HTMLInputElement).checked || undefined)"
          />
          they are spot welds of the body, not holes</label
        >
      </div>
      <div class="stack">
        <p v-if="told?.why" class="next" data-next>{{ told.why }}</p>
        <p v-if="told?.says" class="agree" :class="{ doubted: !told.agreed }" data-agree>
          {{ told.says }}
          <WhyButton v-if="told.working" :name="map.name" :working="told.working" />
        </p>
        <p v-if="told?.unsaid && !told.why" class="soft small">
          How good the tape is: not given. A reading is judged against {{ told.unsaidText }}, or what the others scatter where
          that is more.
        </p>
        <SaySo :label="`What ${map.name} says`" :list="told?.findings ?? []" />
        <div v-if="told?.nextFrom" class="row">
          <button type="button" class="press main" @click="addReading(told.nextFrom, told.nextTo)">
            Take {{ label(told.nextFrom) }} to {{ label(told.nextTo) }}
          </button>
          <button
            v-for="w in told.nextWays ?? []"
            :key="w.text"
            type="button"
            class="press"
            @click="addReading(told.nextFrom, told.nextTo, w.value)"
          >
            By eye it is about {{ w.text }}
          </button>
        </div>
        <ul v-if="told?.slips.length" class="small">
          <li v-for="s in told.slips" :key="s">{{ s }}</li>
        </ul>
      </div>
    </div>
    <details :open="holesWide" @toggle="holesWide = ($event.target as HTMLDetailsElement).open">
      <summary>{{ map.holes.length }} holes</summary>
      <MapHoles :open="open" :map="map" :told="told" :at="at" />
    </details>
    <MapMeant :open="open" :map="map" :told="told" :at="at" />
    <MapToPart :open="open" :map="map" :told="told" :job="job" />
    <details :open="wide" @toggle="wide = ($event.target as HTMLDetailsElement).open">
      <summary>{{ map.readings.length }} distances</summary>
      <CardList
        :rows="map.readings"
        word="distance"
        :name="(r) => `distance ${label(r.from)} to ${label(r.to)}`"
        add="Distance"
        :make="() => reading()"
        small
        @change="(v) => open.set(`${at}/readings`, v)"
        v-slot="{ row: r, i: k }"
      >
        <div class="distance" :class="{ suspect: off(r), large: said(r)?.large }" :data-reading="k">
          <PickOne
            label="from"
            :choices="holes"
            :model-value="r.from"
            @update:model-value="(v) => open.set(`${at}/readings/${k}/from`, v)"
          />
          <PickOne
            label="to"
            :choices="holes"
            :model-value="r.to"
            @update:model-value="(v) => open.set(`${at}/readings/${k}/to`, v)"
          />
          <PickOne
            label="the tape lay"
            :choices="wordsOf('MapReading', 'tape')"
            :model-value="r.tape ?? 'centre'"
            @update:model-value="(v) => open.set(`${at}/readings/${k}/tape`, v)"
          />
          <ReadingField
            :label="`${label(r.from)} to ${label(r.to)}`"
            :model-value="r.value"
            :lengths="open.style.value"
            :wrong="(n) => open.fault(`${at}/readings/${k}/value/values/${n}`)"
            @update:model-value="(v) => open.set(`${at}/readings/${k}/value`, v)"
          />
          <p class="off">
            <span class="small soft">off</span><span class="num">{{ said(r)?.text || said(r)?.why }}</span>
            <strong v-if="told && off(r)">{{ told.agrees }} would agree</strong>
          </p>
        </div>
      </CardList>
    </details>
  </article>
</template>

<style scoped>
.map {
  display: grid;
  gap: 10px;
  border-left: 3px solid var(--rule-strong);
  padding: 2px 0 12px 14px;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: end;
}
.two {
  display: grid;
  grid-template-columns: minmax(280px, 1.2fr) minmax(220px, 1fr);
  gap: 16px;
  align-items: start;
}
.agree {
  font-weight: 600;
}
.doubted {
  border-left: 4px solid var(--mind);
  padding-left: 10px;
}
.next {
  border-left: 4px solid var(--ember);
  padding: 4px 10px;
  font-weight: 560;
}
summary {
  min-height: 40px;
  display: list-item;
  cursor: pointer;
  font-weight: 560;
  padding-top: 8px;
}
.distance {
  display: grid;
  grid-template-columns: 72px 72px minmax(130px, 170px) minmax(250px, 1.6fr) minmax(90px, 1fr);
  gap: 8px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  align-items: start;
}
.off {
  display: grid;
}
.large .off .num {
  color: var(--mind);
}
.suspect {
  background: var(--stop-wash);
}
.suspect .off {
  color: var(--stop);
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
  .distance {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
