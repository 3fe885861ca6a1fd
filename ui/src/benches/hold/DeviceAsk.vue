<script setup lang="ts">
// What the brief lacks about the devices in question, asked where it is needed. A question
// stays while it is being answered.
import { computed, reactive, watchEffect } from 'vue'
import type { OpenBrief } from '@/jobs/useBrief'
import FieldGrid from '@/kit/FieldGrid.vue'
import DeviceNumbers from '../measure/DeviceNumbers.vue'

const props = defineProps<{ open: OpenBrief; devices: string[] }>()
const asked = reactive(new Set<string>())
const all = computed(() => props.open.brief.value?.devices ?? [])
watchEffect(() => {
  for (const d of all.value) if (props.devices.includes(d.id) && (!d.mass?.value || !d.gravity)) asked.add(d.id)
})
const list = computed(() =>
  all.value.map((d, at) => ({ d, at })).filter(({ d }) => asked.has(d.id) && props.devices.includes(d.id)),
)
const lacks = (d: (typeof all.value)[number]) =>
  [!d.mass?.value && 'its mass', !d.gravity && 'its centre of gravity'].filter(Boolean).join(' and ')
</script>

<template>
  <section v-for="x in list" :key="x.d.id" class="ask" :data-asks="x.d.id">
    <p>
      <strong>{{ x.d.name || 'The device' }}</strong>
      {{ lacks(x.d) ? `: ${lacks(x.d)} is not in the brief yet.` : ': that is in the brief now.' }}
    </p>
    <FieldGrid :min="150"><DeviceNumbers :open="open" :at="x.at" /></FieldGrid>
  </section>
</template>

<style scoped>
.ask {
  border-left: 4px solid var(--ember);
  padding: 4px 0 4px 12px;
  display: grid;
  gap: 8px;
}
p {
  margin: 0;
}
</style>
