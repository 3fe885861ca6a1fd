<script setup lang="ts">
// A traced outline laid on what was measured: hole by hole, and what differs.
import { computed, ref } from 'vue'
import type { Fix, TracedDrawing } from '@/api/client'
import FlagList from '@/kit/FlagList.vue'
import PickOne from '@/kit/PickOne.vue'
import WhyButton from '@/kit/WhyButton.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ compared: TracedDrawing['parts'][number]['compared'] }>()
defineEmits<{ fix: [fix: Fix] }>()
const which = ref('')
// The one that fits best comes first until another is chosen.
const best = computed(() => [...props.compared].sort((a, b) => a.findings.length - b.findings.length)[0])
const bores = computed(() => shown.value?.misses.some((m) => m.bores))
const shown = computed(() => props.compared.find((c) => c.with === which.value) ?? best.value)
</script>

<template>
  <section class="against" aria-label="Against the survey">
    <template v-if="shown">
      <PickOne
        v-if="compared.length > 1"
        label="Its holes are laid on"
        :choices="compared.map((c) => ({ value: c.with, text: c.with }))"
        :model-value="shown.with"
        @update:model-value="(v) => (which = v)"
      />
      <p>
        <template v-if="compared.length === 1">Its holes are laid on {{ shown.with }}. </template>
        <b>{{ shown.text }}</b>
        <WhyButton v-if="shown.working" name="the comparison" :working="shown.working" />
      </p>
      <TableFrame name="Holes against the survey">
        <thead>
          <tr>
            <th>hole</th>
            <th>off by</th>
            <th v-if="bores">diameters</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="m in shown.misses" :key="m.name">
            <td>{{ m.name }}</td>
            <td class="num">{{ m.text }}</td>
            <td v-if="bores" class="num">{{ m.bores }}</td>
          </tr>
        </tbody>
      </TableFrame>
      <FlagList :findings="shown.findings" firm @fix="(x) => $emit('fix', x)" />
    </template>
    <p v-else class="small soft">
      A traced outline is as true as what it was traced from. The job has no hole map or device whose holes it could be laid on:
      hold it against the vehicle before it is cut.
    </p>
  </section>
</template>

<style scoped>
.against {
  display: grid;
  gap: 10px;
  padding: 10px 12px;
  border: 1px solid var(--rule);
}
</style>
