<script setup lang="ts">
// Seam by seam: tacked, welded, looked at; what gauge and eye say of it, judged at once.
import { computed } from 'vue'
import type { SeamSeen, WeldBook, WeldPlan } from '@/api/client'
import type { Style } from '@/kit/readLength'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from '@/quick/Shown.vue'

const props = defineProps<{
  plan: WeldPlan
  book: WeldBook
  lengths: Style
  fault: (seam: string, size: string) => string | undefined
}>()
const emit = defineEmits<{ write: [seen: SeamSeen[]] }>()
const seen = computed(() => props.book.seen ?? [])
const of = (id: string): SeamSeen => seen.value.find((s) => s.id === id) ?? { id }
function put(id: string, change: Partial<SeamSeen>) {
  emit('write', [...seen.value.filter((s) => s.id !== id), { ...of(id), ...change }])
}
const done = computed(() => {
  const n = props.plan.seams.length
  const count = (f: (s: SeamSeen) => unknown) => props.plan.seams.filter((s) => f(of(s.id))).length
  return `${count((s) => s.tacked)} of ${n} tacked, ${count((s) => s.welded)} welded, ${count((s) => s.looked)} looked at`
})
const faults = [
  { key: 'overlap', text: 'lies on without melting in' },
  { key: 'crack', text: 'a crack' },
  { key: 'crater', text: 'its end is hollow' },
] as const
const sizes = [
  { key: 'leg', label: 'Leg by gauge, the smaller' },
  { key: 'throat', label: 'Throat by gauge' },
  { key: 'undercut', label: 'Undercut, deepest' },
  { key: 'pore', label: 'Largest pore' },
] as const
</script>

<template>
  <details data-ticks>
    <summary>
      Tacked, welded, looked at: <span class="soft">{{ done }}</span>
    </summary>
    <p class="small soft">By class {{ plan.class }} of ISO 5817, as what happens when it fails asks.</p>
    <details v-for="s in plan.seams" :key="s.id" class="seam" :data-looked="s.number">
      <summary>
        <b class="num">{{ s.number }}</b> {{ s.name }}
        <span class="small soft"
          >leg <Shown :value="s.leg" kind="length" :lengths="lengths" />,
          <Shown :value="s.long" kind="length" :lengths="lengths" /> long, {{ s.tacks.length }} tacks</span
        >
        <span v-if="s.room && s.room.reach !== 'reachable'" :class="s.room.reach === 'blocked' ? 'bad' : 'mind'">
          {{ s.room.reach }}</span
        >
        <span v-if="s.look" :class="s.look.faults.length ? 'bad' : 'good'">
          {{ s.look.passes ? 'passes' : s.look.faults.length ? 'does not pass' : 'not all of it was looked at' }}</span
        >
      </summary>
      <p v-if="s.room" class="small">{{ s.room.says }}</p>
      <FieldGrid :min="180" keep>
        <label class="tick"
          ><input
            type="checkbox"
            :checked="of(s.id).tacked ?? false"
            @change="put(s.id, { tacked: !of(s.id).tacked || undefined })"
          />
          tacked</label
        >
        <label class="tick"
          ><input
            type="checkbox"
            :checked="of(s.id).welded ?? false"
            @change="put(s.id, { welded: !of(s.id).welded || undefined })"
          />
          welded</label
        >
        <TextField
          v-if="of(s.id).tacked && !of(s.id).welded"
          label="Stays adjustable until"
          :model-value="of(s.id).until ?? ''"
          @update:model-value="(v) => put(s.id, { until: v || undefined })"
        />
        <TextField
          label="Looked at by, and when"
          :model-value="of(s.id).looked ?? ''"
          @update:model-value="(v) => put(s.id, { looked: v || undefined })"
        />
        <ValueField
          v-for="z in sizes"
          :key="z.key"
          :label="z.label"
          :model-value="of(s.id)[z.key] ?? null"
          :lengths="lengths"
          :wrong="fault(s.id, z.key)"
          @update:model-value="(v) => put(s.id, { [z.key]: v ?? undefined })"
        />
        <label v-for="f in faults" :key="f.key" class="tick"
          ><input
            type="checkbox"
            :checked="of(s.id)[f.key] ?? false"
            @change="put(s.id, { [f.key]: !of(s.id)[f.key] || undefined })"
          />
          {{ f.text }}</label
        >
        <TextField
          label="What was wrong and done again"
          :model-value="of(s.id).rework ?? ''"
          @update:model-value="(v) => put(s.id, { rework: v || undefined })"
        />
        <ValueField
          label="That took, min"
          kind="number"
          :model-value="of(s.id).minutes ?? null"
          :lengths="lengths"
          :wrong="fault(s.id, 'minutes')"
          @update:model-value="(v) => put(s.id, { minutes: v ?? undefined })"
        />
      </FieldGrid>
      <template v-if="s.look">
        <p v-for="f in s.look.faults" :key="f" class="bad">{{ f }}.</p>
        <p class="small">What it is held to <WhyButton :name="`Looking at seam ${s.number}`" :working="s.look.working" /></p>
      </template>
    </details>
  </details>
</template>

<style scoped>
summary {
  min-height: 40px;
  cursor: pointer;
}
.seam {
  border-bottom: 1px solid var(--rule);
  padding-left: 12px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  align-self: end;
}
.bad {
  color: var(--stop);
  font-weight: 640;
}
.mind {
  color: var(--mind);
  font-weight: 640;
}
.good {
  font-weight: 640;
}
</style>
