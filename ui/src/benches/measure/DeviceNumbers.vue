<script setup lang="ts">
// What everything asks of a device first: its mass, where it stands, its centre of gravity.
import { computed } from 'vue'
import type { Device } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import FieldGrid from '@/kit/FieldGrid.vue'
import GivenField from '@/kit/GivenField.vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief; at: number }>()
const d = computed(() => props.open.brief.value!.devices![props.at]!)
const trailer = computed(() => props.open.brief.value?.card?.trailer ?? false)
const gravity = (d: Device, key: 'x' | 'y' | 'z', v: number) => ({
  x: 0,
  y: 0,
  z: 0,
  trust: 'measured' as const,
  ...d.gravity,
  [key]: v,
})
</script>

<template>
  <GivenField
    label="Mass"
    kind="mass"
    :model-value="d.mass"
    :lengths="open.style.value"
    :wrong="open.fault(`/devices/${at}/mass/value`)"
    @update:model-value="(v) => open.set(`/devices/${at}/mass`, v)"
  />
  <GivenField
    :label="trailer ? 'Origin behind the coupling' : 'Origin behind the front axle'"
    kind="length"
    :model-value="d.behind"
    :lengths="open.style.value"
    :wrong="open.fault(`/devices/${at}/behind/value`)"
    @update:model-value="(v) => open.set(`/devices/${at}/behind`, v)"
  />
  <div class="group wide">
    <p class="label">Centre of gravity from the device's origin</p>
    <FieldGrid :min="104" low class="three">
      <ValueField
        v-for="k in ['x', 'y', 'z'] as const"
        :key="k"
        :label="{ x: 'forward', y: 'left', z: 'above the feet' }[k]"
        :model-value="d.gravity?.[k] ?? null"
        :lengths="open.style.value"
        :wrong="k === 'z' ? open.fault(`/devices/${at}/gravity/value`) : undefined"
        @update:model-value="(v) => open.set(`/devices/${at}/gravity`, gravity(d, k, v))"
      />
      <PickOne
        v-if="d.gravity"
        class="wide"
        label="is"
        :choices="wordsOf('Gravity', 'trust')"
        :model-value="d.gravity.trust ?? 'assumed'"
        @update:model-value="(v) => open.set(`/devices/${at}/gravity/trust`, v)"
      />
    </FieldGrid>
  </div>
</template>

<style scoped>
.wide {
  grid-column: span 2;
}
.three > .field {
  min-width: 92px;
}
@media (max-width: 640px) {
  .wide {
    grid-column: 1 / -1;
  }
}
</style>
