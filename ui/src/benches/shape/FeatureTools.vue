<script setup lang="ts">
// Name, copy and order of one feature; and taking it along to another part.
import { computed } from 'vue'
import SuggestField from '@/kit/SuggestField.vue'
import TextField from '@/kit/TextField.vue'
import { afresh } from './afresh'
import { keepFeature } from './carried'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string; word: string }>()
const emit = defineEmits<{ moved: [path: string] }>()
const list = computed(() => props.path.replace(/\/\d+$/, ''))
const index = computed(() => Number(/\d+$/.exec(props.path)![0]))
const part = computed(() => props.bench.part.value!)
type Feature = { id: string; name?: string; group?: string; [key: string]: unknown }
const feature = computed(() => part.value.get(props.path) as Feature)
const all = computed(() => (part.value.get(list.value) as Feature[] | undefined) ?? [])

const known = computed(() => [...new Set(props.bench.dimensions.value.flatMap((d) => (d.in ? [d.in] : [])))])
const join = (name: string) => part.value.set(`${props.path}/group`, name.trim() || undefined)
function copy() {
  const twin = afresh(feature.value)
  if (twin.name) twin.name = `${twin.name} (copy)`
  const next = [...all.value]
  next.splice(index.value + 1, 0, twin)
  part.value.set(list.value, next)
}
function move(by: number) {
  const next = [...all.value]
  const [f] = next.splice(index.value, 1)
  next.splice(index.value + by, 0, f!)
  part.value.set(list.value, next)
  emit('moved', `${list.value}/${index.value + by}`)
}
const kind = computed(() => list.value.split('/').at(-1) as 'flanges' | 'holes' | 'edges' | 'marks')
</script>

<template>
  <TextField
    label="Its own name"
    :maxlength="80"
    :model-value="feature.name ?? ''"
    @update:model-value="(v) => part.set(`${path}/name`, v || undefined)"
  />
  <SuggestField
    label="In the group"
    :maxlength="80"
    :model-value="feature.group ?? ''"
    :known="known"
    @update:model-value="join"
  />
  <div class="row">
    <button type="button" class="press tight" @click="copy">Copy</button>
    <button type="button" class="press tight" @click="keepFeature({ kind, word, feature })">Take along</button>
    <button type="button" class="press tight" :disabled="index === 0" @click="move(-1)">Earlier</button>
    <button type="button" class="press tight" :disabled="index >= all.length - 1" @click="move(1)">Later</button>
  </div>
</template>
