<script setup lang="ts">
// Heights at four corners: how it lies, and the packing at each corner.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { OpenSurvey } from '@/jobs/useSurvey'
import Frac from '@/kit/Frac.vue'
import ReadingField from '@/kit/ReadingField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.levels ?? [])
const told = (id: string) => props.open.worked.value?.levels.find((l) => l.id === id)
const corners = [
  { key: 'frontLeft', name: 'front left' },
  { key: 'frontRight', name: 'front right' },
  { key: 'rearLeft', name: 'rear left' },
  { key: 'rearRight', name: 'rear right' },
] as const
const slope = (i: number, which: 'floor' | 'wanted', key: 'pitch' | 'roll', v: number) =>
  props.open.set(`/levels/${i}/${which}`, { pitch: 0, roll: 0, ...list.value[i]![which], [key]: v })
const blank = () => ({
  id: newId(),
  name: '',
  wheelbase: {},
  track: {},
  frontLeft: {},
  frontRight: {},
  rearLeft: {},
  rearRight: {},
})
</script>

<template>
  <div class="stack">
    <p class="soft small">Heights over the floor at four corners. Pitch is nose low, roll left side high.</p>
    <CardList
      :rows="list"
      word="levelling"
      :name="(l) => l.name"
      add="Add a levelling"
      :make="blank"
      @change="(v) => open.set('/levels', v)"
      v-slot="{ row: l, i }"
    >
      <article class="level" :data-level="l.name">
        <FieldGrid :min="160">
          <TextField
            label="What is levelled"
            :model-value="l.name"
            @update:model-value="(v) => open.set(`/levels/${i}/name`, v)"
          />
          <ReadingField
            label="Front to rear"
            :model-value="l.wheelbase"
            :lengths="open.style.value"
            :wrong="(n) => open.fault(`/levels/${i}/wheelbase/values/${n}`)"
            @update:model-value="(v) => open.set(`/levels/${i}/wheelbase`, v)"
          />
          <ReadingField
            label="Left to right"
            :model-value="l.track"
            :lengths="open.style.value"
            :wrong="(n) => open.fault(`/levels/${i}/track/values/${n}`)"
            @update:model-value="(v) => open.set(`/levels/${i}/track`, v)"
          />
        </FieldGrid>
        <div class="corners">
          <div v-for="(c, k) in corners" :key="c.key" class="corner">
            <ReadingField
              :label="`Height ${c.name}`"
              :model-value="l[c.key]"
              :lengths="open.style.value"
              :wrong="(n) => open.fault(`/levels/${i}/${c.key}/values/${n}`)"
              @update:model-value="(v) => open.set(`/levels/${i}/${c.key}`, v)"
            />
            <p>
              <span class="small soft">pack</span> <span class="num big"><Frac :text="told(l.id)?.packing[k] ?? ''" /></span>
            </p>
          </div>
        </div>
        <FieldGrid :min="160">
          <ValueField
            label="Floor itself, nose low"
            kind="angle"
            :model-value="l.floor?.pitch ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/levels/${i}/floor/pitch`)"
            @update:model-value="(v) => slope(i, 'floor', 'pitch', v)"
          />
          <ValueField
            label="Floor itself, left high"
            kind="angle"
            :model-value="l.floor?.roll ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/levels/${i}/floor/roll`)"
            @update:model-value="(v) => slope(i, 'floor', 'roll', v)"
          />
          <ValueField
            label="Wanted, nose low"
            kind="angle"
            :model-value="l.wanted?.pitch ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/levels/${i}/wanted/pitch`)"
            @update:model-value="(v) => slope(i, 'wanted', 'pitch', v)"
          />
          <ValueField
            label="Wanted, left high"
            kind="angle"
            :model-value="l.wanted?.roll ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/levels/${i}/wanted/roll`)"
            @update:model-value="(v) => slope(i, 'wanted', 'roll', v)"
          />
        </FieldGrid>
        <p v-if="told(l.id)" class="came" :class="told(l.id)!.verdict">
          <span
            >pitch <b class="num">{{ told(l.id)!.pitch }}</b></span
          >
          <span
            >roll <b class="num">{{ told(l.id)!.roll }}</b></span
          >
          <span
            >twist <b class="num">{{ told(l.id)!.twist }}</b></span
          >
          <WhyButton v-if="told(l.id)!.working" :name="l.name" :working="told(l.id)!.working!" />
          <span class="small">{{ told(l.id)!.says }}</span>
        </p>
        <p v-for="f in told(l.id)?.findings ?? []" :key="f.code" class="small mind">{{ f.reason }}</p>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.level {
  display: grid;
  gap: 10px;
}
.gone {
  justify-self: end;
  margin-top: 26px;
}
.corners {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 24px;
}
.corner {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 110px;
  gap: 12px;
  align-items: start;
}
.corner p {
  padding-top: 22px;
}
.big {
  font-size: 1.25rem;
  display: block;
}
.came {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  align-items: baseline;
}
.came b {
  font-size: 1.3rem;
}
.mind {
  color: var(--mind);
}
@media (max-width: 640px) {
  .corners {
    grid-template-columns: 1fr;
  }
}
</style>
