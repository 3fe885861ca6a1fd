<script setup lang="ts">
// What the work must keep to.
import FieldGrid from '@/kit/FieldGrid.vue'
import DateField from '@/kit/DateField.vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { Brief } from '@/api/client'
import { newId } from '@/api/ids'
import { useSurveyed } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import type { OpenBrief } from '@/jobs/useBrief'
import GivenField from '@/kit/GivenField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief; job: string }>()
const limits = computed(() => props.open.brief.value?.limits ?? {})
type Limits = NonNullable<Brief['limits']>
const set = <K extends keyof Limits>(key: K, v: Limits[K] | undefined) =>
  props.open.set(`/limits/${key}` as '/limits/lift', (v === '' || v === false ? undefined : v) as Limits['lift'])
const kept = computed(() => limits.value.kept ?? [])
const { data: surveyed } = useSurveyed(() => props.job)
const survey = computed(() => surveyed.value?.state)
const named = (list: { id: string; name: string }[] | undefined) => [
  { value: '', text: 'not tied' },
  ...(list ?? []).map((x) => ({ value: x.id, text: x.name })),
]
const spaces = computed(() => named(survey.value?.spaces))
const measures = computed(() => named(survey.value?.measures))
const roads = [
  { key: 'ground', label: 'Ground clearance, at least', angle: false },
  { key: 'approach', label: 'Approach angle, at least °', angle: true },
  { key: 'departure', label: 'Departure angle, at least °', angle: true },
  { key: 'height', label: 'Height over all, at most', angle: false },
  { key: 'width', label: 'Width over all, at most', angle: false },
] as const
const sizes = ['length', 'width', 'height'] as const
</script>

<template>
  <div class="pairs">
    <GivenField
      label="One person lifts"
      kind="mass"
      :model-value="limits.lift"
      :lengths="open.style.value"
      :wrong="open.fault('/limits/lift/value')"
      @update:model-value="(v) => set('lift', v)"
    />
    <div class="group">
      <p class="label">It must come off again</p>
      <label class="tick"
        ><input
          type="checkbox"
          :checked="limits.noNewHoles"
          @change="set('noNewHoles', ($event.target as HTMLInputElement).checked)"
        />
        no new holes in the vehicle</label
      >
      <label class="tick"
        ><input type="checkbox" :checked="limits.noWelds" @change="set('noWelds', ($event.target as HTMLInputElement).checked)" />
        nothing welded to the vehicle</label
      >
    </div>
    <div class="group across">
      <p class="label">Must keep working</p>
      <CardList
        :rows="kept"
        word="what must keep working"
        :name="(k) => k.text"
        add="Something that must keep working"
        :make="() => ({ id: newId(), text: '' })"
        small
        @change="(v) => open.set('/limits/kept', v)"
        v-slot="{ row: k, i }"
      >
        <div class="keep">
          <TextField label="What" :model-value="k.text" @update:model-value="(v) => open.set(`/limits/kept/${i}/text`, v)" />
          <PickOne
            label="Nothing reaches into"
            :choices="spaces"
            :model-value="k.space ?? ''"
            @update:model-value="(v) => open.set(`/limits/kept/${i}/space`, v || undefined)"
          />
          <PickOne
            label="and this is reached"
            :choices="measures"
            :model-value="k.measure ?? ''"
            @update:model-value="(v) => open.set(`/limits/kept/${i}/measure`, v || undefined)"
          />
        </div>
      </CardList>
    </div>
    <div class="group across">
      <p class="label">On the road</p>
      <FieldGrid :min="190" keep low>
        <GivenField
          v-for="r in roads"
          :key="r.key"
          :label="r.label"
          :kind="r.angle ? 'number' : 'length'"
          :model-value="limits[r.key]"
          :lengths="open.style.value"
          :wrong="open.fault(`/limits/${r.key}/value`)"
          @update:model-value="(v) => set(r.key, v)"
        />
      </FieldGrid>
    </div>
    <TextField
      label="Faces that stay in sight"
      :rows="2"
      :model-value="limits.visible ?? ''"
      @update:model-value="(v) => set('visible', v)"
    />
    <div class="group">
      <p class="label">Every part must fit into</p>
      <div class="three">
        <ValueField
          v-for="k in sizes"
          :key="k"
          :label="k"
          :model-value="limits.envelope?.[k] ?? null"
          :lengths="open.style.value"
          :wrong="open.fault(`/limits/envelope/${k}`)"
          @update:model-value="(v) => set('envelope', { length: 0, width: 0, height: 0, ...limits.envelope, [k]: v })"
        />
      </div>
      <button v-if="limits.envelope" type="button" class="press tight" @click="set('envelope', undefined)">No such limit</button>
    </div>
    <div class="three dated">
      <DateField label="Ready by" :model-value="limits.date ?? ''" @update:model-value="(v) => set('date', v)" />
      <ValueField
        label="Budget"
        kind="number"
        :model-value="limits.budget ?? null"
        :lengths="open.style.value"
        :wrong="open.fault('/limits/budget')"
        @update:model-value="(v) => set('budget', v)"
      />
      <ValueField
        label="Bought, it costs"
        kind="number"
        :model-value="limits.bought ?? null"
        :lengths="open.style.value"
        :wrong="open.fault('/limits/bought')"
        @update:model-value="(v) => set('bought', v)"
      />
    </div>
  </div>
</template>

<style scoped>
.pairs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 24px;
  align-items: start;
}
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(84px, 1fr));
  gap: 8px;
  align-items: end;
}
.dated {
  grid-template-columns: repeat(auto-fit, minmax(168px, 1fr));
}
.across {
  grid-column: 1 / -1;
}
.across .press {
  justify-self: start;
  align-self: start;
  width: fit-content;
}
.keep {
  display: grid;
  grid-template-columns: minmax(200px, 2fr) minmax(150px, 1fr) minmax(150px, 1fr);
  gap: 12px;
  align-items: end;
  margin-bottom: 8px;
}
@media (max-width: 700px) {
  .keep {
    grid-template-columns: 1fr;
  }
  .pairs {
    grid-template-columns: 1fr;
  }
}
</style>
