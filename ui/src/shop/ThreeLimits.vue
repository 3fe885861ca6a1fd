<script setup lang="ts">
// The three limits parts ask first, of what was ticked: typed here they are said, left alone they
// are usual ones. They stay while they are typed; another tick asks anew.
import { computed, ref, watch } from 'vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import type { Kind } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const machines = computed(() => props.open.shop.value?.machines ?? [])
const first: [kind: string, key: string][] = [
  ['brake', 'long'],
  ['brake', 'steel'],
  ['table', 'long'],
  ['brake', 'force'],
  ['table', 'steel'],
  ['saw', 'wide'],
  ['welder', 'most'],
  ['drill', 'drill'],
  ['transport', 'long'],
  ['lift', 'mass'],
]
const sortOf = (m: (typeof machines.value)[number]) => {
  const kind = props.open.kinds.value.find((k) => k.kind === m.kind)
  const sort = kind?.sorts.find((s) => s.sort === m.sort)
  return { kind, sort, usual: (props.open.inch.value ? sort?.inch : sort?.mm) ?? {} }
}
const asked = ref<{ id: string; key: string }[]>([])
watch(
  () => machines.value.map((m) => m.id).join(' '),
  () => {
    const out: { id: string; key: string }[] = []
    for (const [kind, key] of first)
      for (const m of machines.value)
        if (out.length < 3 && m.kind === kind && !m.away && key in sortOf(m).usual && m.limits?.[key] === undefined)
          out.push({ id: m.id, key })
    asked.value = out
  },
  { immediate: true },
)
const rows = computed(() =>
  asked.value.flatMap(({ id, key }) => {
    const i = machines.value.findIndex((m) => m.id === id)
    const m = machines.value[i]
    if (!m) return []
    const { kind, sort, usual } = sortOf(m)
    const l = kind?.limits.find((x) => x.key === key)
    return l ? [{ i, m, l, label: `${m.name || sort?.text}: ${l.text.toLowerCase()}`, usual: usual[key] }] : []
  }),
)
function say(i: number, key: string, v: number | undefined) {
  const next = { ...machines.value[i]!.limits }
  if (v === undefined) delete next[key]
  else next[key] = v
  props.open.set(`/machines/${i}/limits` as never, (Object.keys(next).length ? next : undefined) as never)
}
</script>

<template>
  <div v-if="rows.length" class="three" data-three>
    <p>
      <b>{{ rows.length === 3 ? 'Three limits' : 'The limits' }} that parts ask first.</b> Type what yours take and go: the others
      are taken as usual, and parts say so.
    </p>
    <FieldGrid :min="200" low>
      <ValueField
        v-for="r in rows"
        :key="r.m.id + r.l.key"
        :label="r.label"
        :kind="r.l.quantity as Kind"
        :model-value="r.m.limits?.[r.l.key] ?? null"
        :lengths="open.style.value"
        :usual="r.usual || undefined"
        optional
        :wrong="open.fault(`/machines/${r.i}/limits/${r.l.key}`)"
        @update:model-value="(v) => say(r.i, r.l.key, v)"
        @clear="say(r.i, r.l.key, undefined)"
      />
    </FieldGrid>
  </div>
</template>

<style scoped>
.three {
  display: grid;
  gap: 8px;
  border-left: 4px solid var(--ember);
  padding: 4px 0 4px 12px;
}
</style>
