<script setup lang="ts">
// What was tried before at the machines the part goes to; settings that worked are written
// down from here, for every job.
import { computed, ref, shallowRef, watch } from 'vue'
import { api, take, words } from '@/api/client'
import { newId } from '@/api/ids'
import type { components } from '@/api/schema'
import { wordsOf } from '@/api/words'
import { alter } from '@/documents/alter'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const part = computed(() => props.bench.part.value!)
const recipe = computed(() => part.value.recipe.value!)
const told = shallowRef<components['schemas']['StationsView']>()
async function ask() {
  try {
    told.value = await take(api.POST('/api/v1/stations', { body: part.value.asked() }))
  } catch {
    told.value = undefined // the recipe says itself what is wrong with it
  }
}
watch(
  () => [
    recipe.value.material,
    recipe.value.thickness,
    recipe.value.process,
    recipe.value.tool.kind,
    recipe.value.base.meets?.length,
  ],
  ask,
  {
    immediate: true,
  },
)
const rows = computed(() =>
  told.value
    ? [
        { operation: 'cutting' as const, says: 'Cut', ...told.value.cutting },
        ...(told.value.bending ? [{ operation: 'bending' as const, says: 'Bent', ...told.value.bending }] : []),
        ...(told.value.welding ? [{ operation: 'welding' as const, says: 'Welded', ...told.value.welding }] : []),
      ]
    : [],
)
const writing = ref<'cutting' | 'bending' | 'welding'>()
const text = ref('')
const result = ref<'worked' | 'poor' | 'failed'>('worked')
const said = ref('')
async function keep() {
  said.value = ''
  const r = recipe.value
  const setting = {
    id: newId(),
    operation: writing.value!,
    material: r.material,
    thickness: r.thickness,
    set: text.value,
    result: result.value,
    part: part.value.doc.value!.name,
    date: new Date().toLocaleDateString('sv'),
  }
  try {
    await alter('shop', 'shop', (w) => ({ ...w, settings: [...(w.settings ?? []), setting] }))
    writing.value = undefined
    text.value = ''
    said.value = 'It is written down in the shop.'
    await ask()
  } catch (e) {
    said.value = words(e)
  }
}
</script>

<template>
  <section v-if="rows.length" class="tried">
    <div v-for="r in rows" :key="r.operation" :data-tried="r.operation">
      <h3>{{ r.says }} at {{ r.machine }}</h3>
      <p v-for="w in r.worked" :key="w">{{ w }}</p>
      <p v-if="!r.worked.length" class="soft">Nothing is written down of this sheet there.</p>
      <p v-if="r.caution" class="small soft">{{ r.caution }}</p>
      <button v-if="writing !== r.operation" type="button" class="press tight" @click="writing = r.operation">
        Write down how it was set<span class="hidden-label">, {{ r.says.toLowerCase() }}</span>
      </button>
      <div v-else class="row form">
        <TextField v-model="text" label="As it was set" />
        <PickOne v-model="result" label="It" :choices="wordsOf('Setting', 'result')" />
        <button type="button" class="press main" :disabled="!text.trim()" @click="keep">Write it down in the shop</button>
      </div>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
  </section>
</template>

<style scoped>
.tried {
  display: grid;
  gap: 14px;
  margin-top: 16px;
}
.tried > div {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.form {
  align-items: end;
  width: 100%;
}
.form > :first-child {
  flex: 1;
}
</style>
