<script setup lang="ts">
// One panel: its name and its corners in turn.
import { X } from '@lucide/vue'
import { computed } from 'vue'
import IconPress from '@/kit/IconPress.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import type { OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody; index: number }>()
const at = computed(() => `/panels/${props.index}` as const)
const p = computed(() => props.open.doc.value!.panels![props.index]!)
const left = computed(() => [
  { value: '', text: 'one more corner …' },
  ...(props.open.doc.value!.points ?? [])
    .filter((x) => !p.value.points.includes(x.id))
    .map((x) => ({ value: x.id, text: props.open.called(x.id) })),
])
</script>

<template>
  <TextField
    label="Name"
    :model-value="p.name ?? ''"
    :maxlength="80"
    @update:model-value="(v) => open.set(`${at}/name`, v || undefined)"
  />
  <div>
    <p class="soft small">Corners in turn, either way round</p>
    <ol class="corners">
      <li v-for="(q, k) in p.points" :key="q">
        <span>{{ open.called(q) }}</span>
        <IconPress
          slim
          :icon="X"
          :size="16"
          :name="`Take ${open.called(q)} out`"
          @click="
            open.set(
              `${at}/points`,
              p.points.filter((_, i) => i !== k),
            )
          "
        />
      </li>
    </ol>
  </div>
  <PickOne
    label="One more corner"
    hide-label
    :choices="left"
    model-value=""
    @update:model-value="(v) => v && open.set(`${at}/points`, [...p.points, v])"
  />
</template>

<style scoped>
.corners {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
  margin: 0;
  padding-left: 22px;
}
.corners li span {
  margin-right: 2px;
}
</style>
