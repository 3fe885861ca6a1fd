<script setup lang="ts">
// What the work must keep to.
import { computed } from 'vue'
import type { OpenBrief } from '@/jobs/useBrief'
import GivenField from '@/kit/GivenField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief }>()
const limits = computed(() => props.open.brief.value?.limits ?? {})
const set = (key: string, v: unknown) => props.open.set(`/limits/${key}`, v === '' || v === false ? undefined : v)
const sizes = ['length', 'width', 'height'] as const
</script>

<template>
  <div class="pairs">
    <GivenField
      label="One person lifts, kg"
      :model-value="limits.lift"
      :lengths="open.style.value"
      :wrong="open.fault('/limits/lift/value')"
      @update:model-value="(v) => set('lift', v)"
    />
    <div class="group">
      <p class="label">It must come off again</p>
      <label class="tick"
        ><input
          type="checkbox"
          :checked="limits.noNewHoles"
          @change="set('noNewHoles', ($event.target as HTMLInputElement).checked)"
        />
        no new holes in the vehicle</label
      >
      <label class="tick"
        ><input type="checkbox" :checked="limits.noWelds" @change="set('noWelds', ($event.target as HTMLInputElement).checked)" />
        nothing welded to the vehicle</label
      >
    </div>
    <TextField
      label="Must keep working"
      :rows="2"
      :model-value="limits.keepAlive ?? ''"
      @update:model-value="(v) => set('keepAlive', v)"
    />
    <TextField
      label="Faces that stay in sight"
      :rows="2"
      :model-value="limits.visible ?? ''"
      @update:model-value="(v) => set('visible', v)"
    />
    <div class="group">
      <p class="label">Every part must fit into</p>
      <div class="three">
        <ValueField
          v-for="k in sizes"
          :key="k"
          :label="k"
          :model-value="limits.envelope?.[k] ?? null"
          :lengths="open.style.value"
          @update:model-value="(v) => set('envelope', { length: 0, width: 0, height: 0, ...limits.envelope, [k]: v })"
        />
      </div>
      <button v-if="limits.envelope" type="button" class="press tight" @click="set('envelope', undefined)">No such limit</button>
    </div>
    <div class="three dated">
      <div class="field">
        <label for="limit-date">Ready by</label>
        <input
          id="limit-date"
          class="box"
          type="date"
          :value="limits.date ?? ''"
          @change="set('date', ($event.target as HTMLInputElement).value)"
        />
      </div>
      <ValueField
        label="Budget"
        kind="number"
        :model-value="limits.budget ?? null"
        :lengths="open.style.value"
        :wrong="open.fault('/limits/budget')"
        @update:model-value="(v) => set('budget', v)"
      />
      <ValueField
        label="Bought, it costs"
        kind="number"
        :model-value="limits.bought ?? null"
        :lengths="open.style.value"
        :wrong="open.fault('/limits/bought')"
        @update:model-value="(v) => set('bought', v)"
      />
    </div>
  </div>
</template>

<style scoped>
.pairs {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 24px;
  align-items: start;
}
.three {
  display: grid;
  grid-template-columns: repeat(3, minmax(84px, 1fr));
  gap: 8px;
  align-items: end;
}
.dated {
  grid-template-columns: minmax(150px, 1.6fr) 1fr 1fr;
}
@media (max-width: 700px) {
  .pairs {
    grid-template-columns: 1fr;
  }
}
</style>
