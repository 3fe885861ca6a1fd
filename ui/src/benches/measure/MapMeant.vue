<script setup lang="ts">
// What holes of a map are meant to be: what the readings go with is offered, anything else
// can be asked; each is tested, and used only once it is taken and while it holds.
import { computed, ref } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { HoleMap, MapTold } from '@/api/client'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import WhyButton from '@/kit/WhyButton.vue'

const props = defineProps<{ open: OpenSurvey; map: HoleMap; told?: MapTold; at: `/maps/${number}` }>()
type Meant = NonNullable<HoleMap['meant']>[number]
type Told = MapTold['meant'][number]
const said = computed(() => props.map.meant ?? [])
const set = (list: Meant[]) => props.open.set(`${props.at}/meant`, list.length ? list : undefined)
const take = (t: Told) =>
  set(
    t.id
      ? said.value.map((m) => (m.id === t.id ? { ...m, taken: true } : m))
      : [...said.value, { id: newId(), form: t.form, holes: t.holes, taken: true }],
  )
const leave = (t: Told) => set(said.value.filter((m) => m.id !== t.id))

const asking = ref(false)
const form = ref<Meant['form']>('rectangle')
const picked = ref<string[]>([])
const name = (i: number) => props.map.holes[i]!.name || String(i + 1)
const needs = computed(() =>
  form.value === 'rectangle'
    ? picked.value.length === 4
      ? ''
      : 'Tick four holes.'
    : picked.value.length >= (form.value === 'circle' ? 4 : 3)
      ? ''
      : `Tick ${form.value === 'circle' ? 'four' : 'three'} holes or more.`,
)
function ask() {
  set([...said.value, { id: newId(), form: form.value, holes: picked.value }])
  picked.value = []
  asking.value = false
}
</script>

<template>
  <div v-if="map.holes.length > 2 && !told?.why" class="meant">
    <h3>Meant to be</h3>
    <ul v-if="told?.meant.length">
      <li v-for="t in told.meant" :key="t.id || t.name" :class="{ used: t.used, off: !t.holds }" :data-meant="t.form">
        <p>
          <strong>{{ t.name }}</strong> <span class="small">{{ t.says }}</span>
          <WhyButton v-if="t.working" :name="t.name" :working="t.working" />
        </p>
        <button v-if="t.holds && !t.used" type="button" class="press tight" @click="take(t)">Go by it</button>
        <span v-if="t.used" class="small word">the map goes by it</span>
        <button v-if="t.id" type="button" class="press tight bare" @click="leave(t)">Leave it</button>
      </li>
    </ul>
    <p v-else class="small soft">The readings point to no rectangle, row or circle of holes alike. Ask about any of them.</p>
    <div v-if="asking" class="ask">
      <PickOne v-model="form" label="They are meant to be" :choices="wordsOf('MeantHoles', 'form')" />
      <fieldset>
        <legend class="small soft">of the holes</legend>
        <label v-for="(h, i) in map.holes" :key="h.id" class="tick"
          ><input v-model="picked" type="checkbox" :value="h.id" /> {{ name(i) }}</label
        >
      </fieldset>
      <button type="button" class="press main" :disabled="!!needs" @click="ask">Test it</button>
      <button type="button" class="press bare" @click="asking = false">Not now</button>
      <span class="small soft">{{ needs }}</span>
    </div>
    <button v-else type="button" class="press tight" @click="asking = true">Ask about some holes</button>
  </div>
</template>

<style scoped>
.meant {
  display: grid;
  gap: 8px;
  justify-items: start;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
  width: 100%;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 4px 12px;
  align-items: center;
  border-left: 4px solid var(--rule-strong);
  padding: 2px 0 2px 12px;
}
p {
  margin: 0;
}
.used {
  border-color: var(--ember);
}
.off {
  border-color: var(--mind);
}
.word {
  font-weight: 600;
}
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
</style>
