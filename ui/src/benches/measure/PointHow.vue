<script setup lang="ts">
// How one point was measured, and the mirror choice on a sketch.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import type { Located } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import ReadingField from '@/kit/ReadingField.vue'
import MirrorChoice from './MirrorChoice.vue'
import { usePoints } from './points'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{ open: OpenSurvey; index: number; told?: Located }>()
const at = computed(() => `/points/${props.index}` as const)
const p = computed(() => props.open.survey.value!.points![props.index]!)
const ways = computed(() => wordsOf('SurveyPoint', 'way'))
const self = () => p.value.id
const points = usePoints(props.open, 'choose a point', self)
const bases = usePoints(props.open, 'the datum', self)
// The tape may lie between the edges of two round holes.
const sized = (id?: string) => !!props.open.worked.value?.points.find((x) => x.id === id)?.size
const round = (k: 'A' | 'B') => !!p.value.size && sized(k === 'A' ? p.value.a : p.value.b)
const planes = computed(() => wordsOf('SurveyPoint', 'in'))
const third = computed(() => ({ plan: 'z', side: 'y', end: 'x' })[p.value.in ?? 'plan'] as 'x' | 'y' | 'z')
const words = { x: 'forward', y: 'left', z: 'up' }
const things = computed(() => [
  { value: '', text: 'choose' },
  ...(props.open.survey.value?.placed ?? []).map((t) => ({ value: t.id, text: t.name })),
])
const holes = computed(() => [
  { value: '', text: 'choose' },
  ...(props.open.worked.value?.placed.find((t) => t.id === p.value.thing)?.holes ?? []).map((h) => ({
    value: h.id,
    text: h.name,
  })),
])
</script>

<template>
  <div class="how">
    <ChoiceRow
      label="Measured"
      :choices="ways"
      :model-value="p.way || 'offsets'"
      @update:model-value="(v) => open.set(`${at}/way`, v)"
    />
    <FieldGrid v-if="!p.way || p.way === 'offsets'" :min="170">
      <PickOne
        label="From"
        :choices="bases"
        :model-value="p.from ?? ''"
        @update:model-value="(v) => open.set(`${at}/from`, v || undefined)"
      />
      <ReadingField
        v-for="k in ['x', 'y', 'z'] as const"
        :key="k"
        :label="words[k]"
        :model-value="p[k]"
        :lengths="open.style.value"
        :wrong="(n) => open.fault(`${at}/${k}/values/${n}`)"
        @update:model-value="(v) => open.set(`${at}/${k}`, v)"
      />
      <PickOne
        v-if="p.from"
        label="The tape lay (on the longest)"
        :choices="wordsOf('SurveyPoint', 'tape')"
        :model-value="p.tape ?? 'centre'"
        @update:model-value="(v) => open.set(`${at}/tape`, v)"
      />
    </FieldGrid>
    <template v-else-if="p.way === 'twoDistances'">
      <FieldGrid :min="170">
        <PickOne label="From A" :choices="points" :model-value="p.a ?? ''" @update:model-value="(v) => open.set(`${at}/a`, v)" />
        <ReadingField
          label="Distance from A"
          :model-value="p.da"
          :lengths="open.style.value"
          :wrong="(n) => open.fault(`${at}/da/values/${n}`)"
          @update:model-value="(v) => open.set(`${at}/da`, v)"
        />
        <PickOne label="From B" :choices="points" :model-value="p.b ?? ''" @update:model-value="(v) => open.set(`${at}/b`, v)" />
        <ReadingField
          label="Distance from B"
          :model-value="p.db"
          :lengths="open.style.value"
          :wrong="(n) => open.fault(`${at}/db/values/${n}`)"
          @update:model-value="(v) => open.set(`${at}/db`, v)"
        />
        <PickOne
          v-for="k in (['A', 'B'] as const).filter(round)"
          :key="k"
          :label="`The tape lay, from ${k}`"
          :choices="wordsOf('SurveyPoint', 'tape')"
          :model-value="p[`tape${k}`] ?? 'centre'"
          @update:model-value="(v) => open.set(`${at}/tape${k}`, v)"
        />
        <PickOne
          label="Seen"
          :choices="planes"
          :model-value="p.in ?? 'plan'"
          @update:model-value="(v) => open.set(`${at}/in`, v)"
        />
        <ReadingField
          :label="`How far ${words[third]} of the datum`"
          :model-value="p[third]"
          :lengths="open.style.value"
          note="as point A when left empty"
          @update:model-value="(v) => open.set(`${at}/${third}`, v)"
        />
      </FieldGrid>
      <MirrorChoice :open="open" :index="index" :told="told" />
    </template>
    <template v-else-if="p.way === 'distances'">
      <CardList
        small
        :rows="p.many ?? []"
        word="distance"
        add="Distance"
        :make="() => ({ point: '', distance: {} })"
        @change="(v) => open.set(`${at}/many`, v)"
        v-slot="{ row: m, i: k }"
      >
        <FieldGrid :min="170">
          <PickOne
            :label="`From point ${k + 1}`"
            :choices="points"
            :model-value="m.point"
            @update:model-value="(v) => open.set(`${at}/many/${k}/point`, v)"
          />
          <ReadingField
            :label="`Distance ${k + 1}`"
            :model-value="m.distance"
            :lengths="open.style.value"
            :wrong="(n) => open.fault(`${at}/many/${k}/distance/values/${n}`)"
            @update:model-value="(v) => open.set(`${at}/many/${k}/distance`, v)"
          />
          <PickOne
            v-if="p.size && sized(m.point)"
            :label="`The tape lay, distance ${k + 1}`"
            :choices="wordsOf('SurveyPoint', 'tape')"
            :model-value="m.tape ?? 'centre'"
            @update:model-value="(v) => open.set(`${at}/many/${k}/tape`, v)"
          />
        </FieldGrid>
      </CardList>
      <MirrorChoice v-if="told?.choices?.length" :open="open" :index="index" :told="told" />
    </template>
    <FieldGrid v-else-if="p.way === 'onLine'" :min="170">
      <PickOne label="From" :choices="points" :model-value="p.a ?? ''" @update:model-value="(v) => open.set(`${at}/a`, v)" />
      <PickOne label="Towards" :choices="points" :model-value="p.b ?? ''" @update:model-value="(v) => open.set(`${at}/b`, v)" />
      <ReadingField
        label="Along the line"
        :model-value="p.da"
        :lengths="open.style.value"
        @update:model-value="(v) => open.set(`${at}/da`, v)"
      />
    </FieldGrid>
    <FieldGrid v-else :min="170">
      <PickOne
        label="Placed part"
        :choices="things"
        :model-value="p.thing ?? ''"
        @update:model-value="(v) => open.set(`${at}/thing`, v)"
      />
      <PickOne
        label="Through its hole"
        :choices="holes"
        :model-value="p.hole ?? ''"
        @update:model-value="(v) => open.set(`${at}/hole`, v)"
      />
    </FieldGrid>
  </div>
</template>

<style scoped>
.how {
  display: grid;
  gap: 12px;
}
</style>
