<script setup lang="ts">
// Numbers the picture in the order it is welded, some runs at a time, and says what that order does.
import { ChevronLeft, ChevronRight } from '@lucide/vue'
import IconPress from '@/kit/IconPress.vue'
import type { useWeldOrder } from './weldOrder'

defineProps<{ welding: ReturnType<typeof useWeldOrder> }>()
</script>

<template>
  <div class="order">
    <button
      type="button"
      class="press tight"
      :class="{ main: welding.shown.value }"
      :aria-pressed="welding.shown.value"
      @click="welding.show"
    >
      Weld order
    </button>
    <template v-if="welding.shown.value && welding.many.value">
      <IconPress :icon="ChevronLeft" name="Runs before" :disabled="welding.from.value === 0" @click="welding.turn(-1)" />
      <span class="num" data-runs-shown
        >{{ welding.from.value + 1 }}–{{ welding.to.value }} of {{ welding.many.value }} runs</span
      >
      <IconPress
        :icon="ChevronRight"
        name="Runs after"
        :disabled="welding.to.value >= welding.many.value"
        @click="welding.turn(1)"
      />
    </template>
    <p v-if="welding.says.value" class="small soft" role="status" data-order-says>{{ welding.says.value }}</p>
  </div>
</template>

<style scoped>
.order {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
p {
  margin: 0;
  flex: 1 1 100%;
}
</style>
