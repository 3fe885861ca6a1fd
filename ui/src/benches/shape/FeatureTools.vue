<script setup lang="ts">
// Name, copy and order of one feature; and taking it along to another part.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import TextField from '@/kit/TextField.vue'
import { keepFeature } from './carried'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string; word: string }>()
const emit = defineEmits<{ moved: [path: string] }>()
const list = computed(() => props.path.replace(/\/\d+$/, ''))
const index = computed(() => Number(/\d+$/.exec(props.path)![0]))
const part = computed(() => props.bench.part.value!)
type Feature = { id: string; name?: string; [key: string]: unknown }
const feature = computed(() => part.value.get(props.path) as Feature)
const all = computed(() => (part.value.get(list.value) as Feature[] | undefined) ?? [])

/** The same with ids of its own, all the way down. */
function fresh(f: unknown): unknown {
  if (Array.isArray(f)) return f.map(fresh)
  if (f === null || typeof f !== 'object') return f
  const out: Record<string, unknown> = {}
  for (const [k, v] of Object.entries(f)) out[k] = k === 'id' ? newId() : fresh(v)
  delete out.meets // names flanges that are not these
  return out
}
function copy() {
  const twin = fresh(feature.value) as Feature
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
  <div class="row">
    <button type="button" class="press tight" @click="copy">Copy</button>
    <button type="button" class="press tight" @click="keepFeature({ kind, word, feature })">Take along</button>
    <button type="button" class="press tight" :disabled="index === 0" @click="move(-1)">Earlier</button>
    <button type="button" class="press tight" :disabled="index >= all.length - 1" @click="move(1)">Later</button>
  </div>
</template>
