<script setup lang="ts">
// The part as a list: every feature with its sizes, in step with the drawing.
import { Plus, SlidersHorizontal, Trash2 } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import type { Dimension } from '@/api/client'
import FeatureOptions from './FeatureOptions.vue'
import GroupHead from './GroupHead.vue'
import SizeRow from './SizeRow.vue'
import type { Bench } from './useBench'
import { mayGo } from '@/documents/leaving'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ bench: Bench }>()
type Group = { feature: string; name: string; path: string; rows: Dimension[]; panel: boolean; removable: boolean; in: string }
const openOptions = ref('')
const twin = computed(() => props.bench.part.value?.mirrored.value ?? false)

// It follows the drawing by one frame.
const made = computed(() => props.bench.part.value?.told.value)
const groups = computed(() => {
  const out = new Map<string, Group>()
  const panels = new Set(made.value?.panels.map((p) => p.id))
  for (const d of made.value?.dimensions ?? []) {
    let g = out.get(d.feature)
    if (!g) {
      const path = /^(.*\/(?:flanges|holes|edges|marks)\/\d+)\//.exec(d.path)?.[1] ?? (d.path.startsWith('/base') ? '/base' : '')
      g = {
        feature: d.feature,
        name: d.group,
        path,
        rows: [],
        in: d.in ?? '',
        panel: panels.has(d.feature),
        removable: /\d$/.test(path),
      }
      out.set(d.feature, g)
    }
    g.rows.push(d)
  }
  return [...out.values()]
})
/** Features in the order of the part; those of a group where its first one stands. */
const sections = computed(() => {
  const out: { key: string; name: string; list: Group[] }[] = []
  const byName = new Map<string, Group[]>()
  for (const g of groups.value) {
    const had = byName.get(g.in)
    if (g.in && had) had.push(g)
    else if (g.in) {
      const list = [g]
      byName.set(g.in, list)
      out.push({ key: `group ${g.in}`, name: g.in, list })
    } else out.push({ key: g.feature, name: '', list: [g] })
  }
  return out
})
async function remove(g: Group) {
  if (!(await mayGo(g.feature, g.name))) return
  const now = groups.value.find((x) => x.feature === g.feature) // it may stand elsewhere by now
  if (now) props.bench.remove(now.path)
}
async function removeGroup(name: string, list: Group[]) {
  if (
    await mayGo(
      list.map((g) => g.feature),
      name,
    )
  )
    props.bench.removeGroup(name)
}
const shut = ref(new Set<string>())
function fold(name: string) {
  const next = new Set(shut.value)
  if (!next.delete(name)) next.add(name)
  shut.value = next
}
// What is chosen on the drawing is never hidden.
watch(
  () => props.bench.feature.value,
  (f) => {
    const g = groups.value.find((x) => x.feature === f)
    if (g && shut.value.has(g.in)) fold(g.in)
  },
)
const worstOf = (list: Group[]) => {
  const all = list.map((g) => worst.value.get(g.feature))
  return all.includes('stop') ? 'stop' : all.includes('mind') ? 'mind' : ''
}
const worst = computed(() => {
  const out = new Map<string, 'stop' | 'mind'>()
  for (const f of made.value?.findings ?? [])
    if (f.feature && !f.setAside && f.severity !== 'note' && out.get(f.feature) !== 'stop') out.set(f.feature, f.severity)
  return out
})
</script>

<template>
  <section class="list" aria-label="Sizes">
    <p v-if="twin" class="twin small">The twin is shown. Sizes hold for both hands; features are added on the drawn hand.</p>
    <template v-for="s in sections" :key="s.key">
      <GroupHead
        v-if="s.name"
        :bench="bench"
        :name="s.name"
        :count="s.list.length"
        :shut="shut.has(s.name)"
        :worst="worstOf(s.list)"
        :fixed="twin"
        @fold="fold(s.name)"
        @remove="removeGroup(s.name, s.list)"
      />
      <div
        v-for="g in s.name && shut.has(s.name) ? [] : s.list"
        :key="g.feature"
        class="feature"
        :class="{ on: bench.feature.value === g.feature, grouped: s.name }"
      >
        <div class="head">
          <h3>
            {{ g.name }}
            <span v-if="worst.get(g.feature)" class="mark" :class="worst.get(g.feature)">{{ worst.get(g.feature) }}</span>
          </h3>
          <IconPress
            v-if="g.panel && !twin"
            :icon="Plus"
            :size="20"
            :name="`Add to ${g.name}`"
            slim
            @click="bench.pick(g.feature)"
          />
          <IconPress
            v-if="g.path && !twin"
            :icon="SlidersHorizontal"
            :aria-expanded="openOptions === g.feature"
            :name="`Options of ${g.name}`"
            slim
            tip="Options"
            @click="openOptions = openOptions === g.feature ? '' : g.feature"
          />
          <IconPress
            v-if="g.removable"
            :icon="Trash2"
            :name="`Remove ${g.name}`"
            slim
            tip="Remove (undo brings it back)"
            @click="remove(g)"
          />
        </div>
        <FeatureOptions v-if="openOptions === g.feature" :bench="bench" :path="g.path" :word="g.name" />
        <SizeRow
          v-for="d in g.rows"
          :key="d.path"
          :path="d.path"
          :label="d.label"
          :text="d.text"
          :here="bench.path.value === d.path"
          :unread="bench.unread.value[d.path] !== undefined"
          @choose="bench.choose"
        />
      </div>
    </template>
  </section>
</template>

<style scoped>
.twin {
  padding: 10px 12px;
  background: var(--ember-wash);
}
.feature {
  border-bottom: 1px solid var(--rule);
  padding: 6px 0 8px;
}
.feature.grouped {
  border-left: 4px solid var(--sunk);
}
.feature.on {
  background: var(--sheet);
}
.head {
  display: flex;
  align-items: center;
  padding: 0 6px 0 12px;
  min-height: var(--touch);
}
h3 {
  flex: 1;
  overflow-wrap: anywhere;
}
.mark {
  font: 700 0.75rem var(--text);
  text-transform: uppercase;
}
.mark.stop {
  color: var(--stop);
}
.mark.mind {
  color: var(--mind);
}
</style>
