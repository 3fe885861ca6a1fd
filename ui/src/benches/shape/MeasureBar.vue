<script setup lang="ts">
// The one place where sizes are typed: it always stands below the drawing.
// Enter goes to the next size, Shift+Enter to the one before.
import { ChevronLeft, ChevronRight } from '@lucide/vue'
import { computed, nextTick, ref, watch } from 'vue'
import { useStock } from '@/api/queries'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const field = ref<InstanceType<typeof ValueField>>()
const { data: stock } = useStock()
const d = computed(() => props.bench.chosen.value)
const count = computed(() => props.bench.dimensions.value.length)
const place = computed(() => props.bench.dimensions.value.findIndex((x) => x.path === props.bench.path.value) + 1)
const fault = computed(() => props.bench.part.value?.faults.value.find((f) => f.path === `/recipe${d.value?.path}`)?.message)
const stray = computed(() => (fault.value ? '' : (props.bench.part.value?.trouble.value ?? '')))
const family = computed(
  () => stock.value?.materials.find((m) => m.key === props.bench.part.value?.recipe.value?.material)?.family,
)
const value = computed(() =>
  d.value ? ((props.bench.part.value?.get(d.value.path) as number | undefined) ?? d.value.value) : null,
)
/** Why the size is as it is, kept with what it was then. */
const asked = ref(false)
watch(
  () => d.value?.path,
  () => (asked.value = false),
)
const box = ref<HTMLElement>()
function ask() {
  asked.value = true
  void nextTick(() => box.value?.querySelector<HTMLInputElement>('.why input')?.focus())
}
function reason(why: string) {
  const { feature, size, value: was } = d.value!
  const rest = (props.bench.part.value!.recipe.value?.reasons ?? []).filter((r) => r.feature !== feature || r.size !== size)
  props.bench.part.value!.set('/reasons', why ? [...rest, { feature, size, value: was, why }] : rest.length ? rest : undefined)
}
const why = computed(
  () =>
    props.bench.part.value?.recipe.value?.reasons?.find((r) => r.feature === d.value?.feature && r.size === d.value?.size)?.why ??
    '',
)
watch(
  () => props.bench.focusTick.value,
  () => nextTick(() => field.value?.focus()),
)
</script>

<template>
  <div ref="box" class="bar" role="group" aria-label="Size">
    <button
      type="button"
      class="press"
      aria-label="Previous size (Alt+Up)"
      title="Previous size (Alt+Up)"
      @click="bench.walk(-1)"
    >
      <ChevronLeft :size="26" />
    </button>
    <div v-if="d" class="what">
      <strong>{{ d.label }}</strong>
      <span class="soft small">{{ d.group }} · {{ place }} of {{ count }}</span>
      <button v-if="!asked" type="button" class="press bare tight small reason" :title="why" @click="ask">
        {{ why || 'Why this size' }}
      </button>
    </div>
    <ValueField
      v-if="d"
      :key="d.path"
      ref="field"
      big
      hide-label
      class="value"
      :label="`${d.group}: ${d.label}`"
      :kind="d.hole ? 'hole' : d.kind"
      :model-value="value"
      :text="value === d.value && d.kind === 'length' ? d.text : undefined"
      :lengths="bench.style()"
      :family="d.path === '/thickness' ? family : undefined"
      :note="d.note"
      :wrong="fault || stray"
      :entry="bench.entry(d.path)"
      @enter="(back) => bench.walk(back ? -1 : 1)"
    />
    <span v-else class="what soft none">Tap a size to type over it.</span>
    <button type="button" class="press" aria-label="Next size (Alt+Down)" title="Next size (Alt+Down)" @click="bench.walk(1)">
      <ChevronRight :size="26" />
    </button>
    <TextField
      v-if="d && asked"
      class="why"
      :label="`Why ${d.label.toLowerCase()} is ${d.text}: held up, tried, asked for`"
      :model-value="why"
      :maxlength="300"
      @update:model-value="reason"
      @enter="asked = false"
    />
  </div>
</template>

<style scoped>
.bar {
  display: grid;
  grid-template-columns: auto minmax(120px, 220px) minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
  padding: 8px;
  background: var(--sunk);
  border-block: 1px solid var(--rule);
  min-height: 86px;
}
.bar > .press {
  min-height: 52px;
  min-width: 56px;
  padding: 0;
}
.what {
  display: grid;
  align-content: center;
  min-height: 52px;
}
.what strong {
  font-size: 1.1rem;
}
.reason {
  justify-self: start;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  padding-inline: 0;
  min-height: 36px;
}
.why {
  grid-column: 1 / -1;
}
.none {
  grid-column: span 2;
}
@media (max-width: 600px) {
  .bar {
    grid-template-columns: auto 1fr auto;
  }
  .value {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
