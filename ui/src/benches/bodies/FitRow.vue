<script setup lang="ts">
// One thing that must fit inside a body: its size, where it stands, and how far it keeps off.
import { computed } from 'vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import type { OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody; index: number }>()
const at = computed(() => `/fits/${props.index}` as const)
const f = computed(() => props.open.doc.value!.fits![props.index]!)
const told = computed(() => props.open.worked.value?.fits.find((x) => x.id === f.value.id))
const sizes = { long: 'Long, forward', wide: 'Wide', high: 'High', gap: 'Gap to keep' } as const
const places = { x: 'Its rear end at x', y: 'Its right side at y', z: 'Its underside at z' } as const
</script>

<template>
  <TextField label="Name" :model-value="f.name" :maxlength="80" @update:model-value="(v) => open.set(`${at}/name`, v)" />
  <FieldGrid :min="130" low>
    <ValueField
      v-for="(name, key) in { ...sizes, ...places }"
      :key="key"
      :label="name"
      :model-value="f[key] ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/${key}`)"
      @update:model-value="(v) => open.set(`${at}/${key}`, v)"
    />
  </FieldGrid>
  <p v-if="told" class="small" :class="{ wrong: told.verdict === 'bad' }" role="status">
    {{ told.text }} <WhyButton v-if="told.working" :name="f.name || 'the thing'" :working="told.working" />
  </p>
</template>
