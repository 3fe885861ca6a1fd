<script setup lang="ts">
// Points of the survey that are taken over into a body, in the vehicle's axes.
import { computed, ref } from 'vue'
import { newId } from '@/api/ids'
import { useSurveyed } from '@/jobs/useSurvey'
import type { FacetPoint, OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody; job: string }>()
const shown = ref(false)
const { data: survey, isPending } = useSurveyed(() => (shown.value ? props.job : ''))
const points = computed(() => survey.value?.worked.points ?? [])
const taken = computed(() => new Set((props.open.doc.value?.points ?? []).map((p) => p.survey)))
const ticked = ref<string[]>([])
const chosen = computed(() => points.value.filter((p) => p.at && ticked.value.includes(p.id) && !taken.value.has(p.id)))
function take() {
  const more = chosen.value.map((p): FacetPoint => {
    const [x, y, z] = p.at as [number, number, number]
    return { id: newId(), name: p.name.slice(0, 80), x, y, z, survey: p.id }
  })
  props.open.set('/points', [...(props.open.doc.value?.points ?? []), ...more])
  ticked.value = []
  shown.value = false
}
</script>

<template>
  <button type="button" class="press tight" :aria-expanded="shown" @click="shown = !shown">Points from the survey</button>
  <fieldset v-if="shown" class="from">
    <legend class="small">Which of them</legend>
    <label v-for="p in points" :key="p.id" class="one" :data-surveyed="p.id">
      <input
        v-model="ticked"
        type="checkbox"
        :value="p.id"
        :disabled="!p.at || taken.has(p.id)"
        :aria-label="p.name || 'a point without a name'"
      />
      <span>{{ p.name || 'a point without a name' }}</span>
      <span v-if="taken.has(p.id)" class="soft small">taken over</span>
      <span v-else-if="p.at" class="num small">{{ p.texts.join(', ') }} within {{ p.within }}</span>
      <span v-else class="wrong small">{{ p.why }}</span>
    </label>
    <p v-if="isPending" class="soft small">Fetching the survey.</p>
    <p v-else-if="points.length === 0" class="soft small">
      The survey has no points. <RouterLink :to="`/jobs/${job}/measure/vehicle`">Measure some</RouterLink>
    </p>
    <p class="soft small">
      They keep the vehicle’s axes: forward, left and up of its datum. A body that is drawn about an origin of its own does not
      meet them.
    </p>
    <button type="button" class="press tight" :disabled="chosen.length === 0" @click="take">
      {{ chosen.length === 1 ? 'Take over 1 point' : `Take over ${chosen.length} points` }}
    </button>
  </fieldset>
</template>

<style scoped>
.from {
  border: 1px solid var(--rule);
  padding: 8px 12px;
  display: grid;
  gap: 6px;
  min-width: 0;
}
.one {
  display: grid;
  grid-template-columns: auto minmax(120px, 1fr) auto;
  gap: 10px;
  align-items: center;
  min-height: 40px;
  border-bottom: 1px solid var(--rule);
}
.one span {
  overflow-wrap: anywhere;
  min-width: 0;
}
.press {
  justify-self: start;
}
</style>
