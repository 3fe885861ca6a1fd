<script setup lang="ts">
// The part as a list: every feature with its sizes, in step with the drawing.
import { Plus, SlidersHorizontal, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { Dimension } from '@/api/client'
import Frac from '@/kit/Frac.vue'
import FeatureOptions from './FeatureOptions.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
type Group = { feature: string; name: string; path: string; rows: Dimension[]; panel: boolean; removable: boolean }
const openOptions = ref('')
const twin = computed(() => props.bench.part.value?.mirrored.value ?? false)

const groups = computed(() => {
  const out: Group[] = []
  for (const d of props.bench.dimensions.value) {
    let g = out.find((x) => x.feature === d.feature)
    if (!g) {
      const path = /^(.*\/(?:flanges|holes|edges|marks)\/\d+)\//.exec(d.path)?.[1] ?? (d.path.startsWith('/base') ? '/base' : '')
      g = {
        feature: d.feature,
        name: d.group,
        path,
        rows: [],
        panel: props.bench.panels().some((p) => p.id === d.feature),
        removable: /\d$/.test(path),
      }
      out.push(g)
    }
    g.rows.push(d)
  }
  return out
})
const worst = (feature: string) => {
  const f =
    props.bench.part.value?.built.value?.findings.filter((x) => x.feature === feature && !x.setAside && x.severity !== 'note') ??
    []
  return f.some((x) => x.severity === 'stop') ? 'stop' : f.length ? 'mind' : ''
}
</script>

<template>
  <section class="list" aria-label="Sizes">
    <p v-if="twin" class="twin small">The twin is shown. Sizes hold for both hands; features are added on the drawn hand.</p>
    <div v-for="g in groups" :key="g.feature" class="feature" :class="{ on: bench.feature.value === g.feature }">
      <div class="head">
        <h3>
          {{ g.name }} <span v-if="worst(g.feature)" class="mark" :class="worst(g.feature)">{{ worst(g.feature) }}</span>
        </h3>
        <button
          v-if="g.panel && !twin"
          type="button"
          class="icon"
          :aria-label="`Add to ${g.name}`"
          :title="`Add to ${g.name}`"
          @click="bench.pick(g.feature)"
        >
          <Plus :size="20" />
        </button>
        <button
          v-if="g.path && !twin"
          type="button"
          class="icon"
          :aria-expanded="openOptions === g.feature"
          :aria-label="`Options of ${g.name}`"
          title="Options"
          @click="openOptions = openOptions === g.feature ? '' : g.feature"
        >
          <SlidersHorizontal :size="18" />
        </button>
        <button
          v-if="g.removable"
          type="button"
          class="icon"
          :aria-label="`Remove ${g.name}`"
          title="Remove (undo brings it back)"
          @click="bench.remove(g.path)"
        >
          <Trash2 :size="18" />
        </button>
      </div>
      <FeatureOptions v-if="openOptions === g.feature" :bench="bench" :path="g.path" :word="g.name" />
      <button
        v-for="d in g.rows"
        :key="d.path"
        type="button"
        class="size"
        :class="{ here: bench.path.value === d.path }"
        :data-path="d.path"
        @click="bench.choose(d.path)"
      >
        <span>{{ d.label }} <strong v-if="bench.unread.value[d.path] !== undefined" class="mark stop">not read</strong></span>
        <span class="num"><Frac :text="d.text" :lies="d.lies" /></span>
      </button>
    </div>
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
.icon {
  width: 38px;
  height: 40px;
  display: grid;
  place-items: center;
  border: 0;
  background: none;
  cursor: pointer;
}
.icon:hover {
  color: var(--ember);
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
.size {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  min-height: 36px;
  align-items: center;
  padding: 2px 12px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  cursor: pointer;
}
.size:hover {
  background: var(--sunk);
}
.size.here {
  border-left-color: var(--ember);
  background: var(--ember-wash);
}
@media (pointer: coarse) {
  .size {
    min-height: var(--touch);
  }
}
</style>
