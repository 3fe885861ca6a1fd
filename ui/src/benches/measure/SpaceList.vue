<script setup lang="ts">
// What must not be touched: what it is, how far to keep off, its form, the
// states in which it moves or is not there.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed, ref } from 'vue'
import type { Space } from '@/api/client'
import { newId } from '@/api/ids'
import { shows, wordOf, wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import SpaceForm from './SpaceForm.vue'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.spaces ?? [])
const shown = ref('')
const opening = (id: string) => props.open.worked.value?.openings.find((o) => o.id === id)
function blank(): Space {
  shown.value = newId()
  return { id: shown.value, name: '', kind: 'fixed', trust: 'measured', shape: blankShape('box') }
}
/** A new shape of a form, ready to be typed over. */
const blankShape = (form: Space['shape']['form']) =>
  wordOf('SurveyShape', 'form', form)!.fresh![props.open.style.value.unit === 'mm' ? 'metric' : 'inch'] as Space['shape']
function toggle(i: number, key: 'moves' | 'absent', s: 'stowed' | 'inUse' | 'travelling') {
  const had = list.value[i]![key] ?? []
  props.open.set(`/spaces/${i}/${key}`, had.includes(s) ? had.filter((x) => x !== s) : [...had, s])
}
const about = (s: Space) => wordOf('SurveyShape', 'form', s.shape.form)?.text
</script>

<template>
  <div class="stack">
    <p v-if="!list.length" class="soft">
      A door that swings, a tyre at lock, a fuel line behind the wall: what a part must not meet.
    </p>
    <CardList
      lines
      :rows="list"
      word="space"
      :name="(s) => s.name"
      add="Add a space"
      :make="blank"
      @change="(v) => open.set('/spaces', v)"
      v-slot="{ row: s, i }"
    >
      <article class="space" :class="{ shown: shown === s.id }" :data-space="s.name">
        <div class="line">
          <button
            type="button"
            class="press bare name"
            :aria-expanded="shown === s.id"
            @click="shown = shown === s.id ? '' : s.id"
          >
            {{ s.name || 'a space without a name' }}
          </button>
          <span class="small soft">{{ wordOf('SurveySpace', 'kind', s.kind)?.text }}, {{ about(s) }}</span>
        </div>
        <ResultLine v-if="s.kind === 'opening'" :result="opening(s.id)" />
        <div v-if="shown === s.id" class="edit">
          <FieldGrid :min="160">
            <TextField label="Name" :model-value="s.name" @update:model-value="(v) => open.set(`/spaces/${i}/name`, v)" />
            <PickOne
              label="It is"
              :choices="wordsOf('SurveySpace', 'kind')"
              :model-value="s.kind"
              @update:model-value="(v) => open.set(`/spaces/${i}/kind`, v)"
            />
            <PickOne
              label="Form"
              :choices="wordsOf('SurveyShape', 'form')"
              :model-value="s.shape.form"
              @update:model-value="(v) => open.set(`/spaces/${i}/shape`, { ...blankShape(v), at: s.shape.at })"
            />
            <ValueField
              label="Keep off by"
              :model-value="s.need ?? null"
              :lengths="open.style.value"
              :usual="wordOf('SurveySpace', 'kind', s.kind)?.usual"
              :wrong="open.fault(`/spaces/${i}/need`)"
              @update:model-value="(v) => open.set(`/spaces/${i}/need`, v)"
            />
            <PickOne
              label="Its place is"
              :choices="wordsOf('SurveySpace', 'trust')"
              :model-value="s.trust ?? 'measured'"
              @update:model-value="(v) => open.set(`/spaces/${i}/trust`, v)"
            />
          </FieldGrid>
          <SpaceForm :open="open" :index="i" />
          <div v-if="s.kind !== 'opening'" class="row">
            <fieldset v-if="shows('SurveyShape', 'form', s.shape.form, 'moves')">
              <legend class="label">It moves when</legend>
              <label v-for="st in wordsOf('SurveyTold', 'state')" :key="st.value" class="tick"
                ><input type="checkbox" :checked="s.moves?.includes(st.value)" @change="toggle(i, 'moves', st.value)" />
                {{ st.text }}</label
              >
            </fieldset>
            <fieldset>
              <legend class="label">It is not there when</legend>
              <label v-for="st in wordsOf('SurveyTold', 'state')" :key="st.value" class="tick"
                ><input type="checkbox" :checked="s.absent?.includes(st.value)" @change="toggle(i, 'absent', st.value)" />
                {{ st.text }}</label
              >
            </fieldset>
          </div>
        </div>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.space {
  display: grid;
  gap: 6px;
}
.shown {
  border-left: 4px solid var(--ember);
  padding-left: 12px;
}
.line {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(0, 1.4fr);
  gap: 10px;
  align-items: center;
}
.name {
  justify-content: flex-start;
  text-align: left;
  padding-left: 0;
}
.edit {
  display: grid;
  gap: 12px;
  padding-bottom: 10px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
</style>
