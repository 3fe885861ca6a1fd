<script setup lang="ts">
// A table that says what it lists. Where it is wider than its place it scrolls by
// itself, by finger and by keys, and the page does not.
import { NTable } from 'naive-ui'
import { onBeforeUnmount, onMounted, ref } from 'vue'

defineProps<{ /** What it lists. */ name: string }>()
const frame = ref<HTMLElement>()
const wide = ref(false)
let watched: ResizeObserver | undefined
onMounted(() => {
  watched = new ResizeObserver(() => (wide.value = !!frame.value && frame.value.scrollWidth > frame.value.clientWidth + 1))
  watched.observe(frame.value!)
  watched.observe(frame.value!.firstElementChild!)
})
onBeforeUnmount(() => watched?.disconnect())
</script>

<template>
  <div ref="frame" class="frame" role="region" :aria-label="name" :tabindex="wide ? 0 : undefined">
    <NTable :bordered="false" bottom-bordered :aria-label="name"><slot /></NTable>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  overflow-x: auto;
  min-width: 0;
}
.frame:focus-visible {
  outline-offset: -2px;
}
:where(.frame) :deep(:where(th)) {
  white-space: normal;
  vertical-align: baseline;
}
</style>
