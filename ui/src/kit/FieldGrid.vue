<script setup lang="ts">
// The one grid of fields: as many side by side as have room, none narrower than what
// stands in it.
defineProps<{
  /** px a field is wide at least. */ min: number
  /** A few keep their width instead of sharing the whole line. */ keep?: boolean
  /** Along their lower edges, where labels have one line or two. */ low?: boolean
}>()
</script>

<template>
  <div class="fields" :data-keep="keep || undefined" :data-low="low || undefined" :style="{ '--least': `${min}px` }">
    <slot />
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(var(--least), 100%), 1fr));
  gap: 10px 14px;
  align-items: start;
}
/* No classes: those of the place it stands in reach this element too. */
.fields[data-keep] {
  grid-template-columns: repeat(auto-fill, minmax(min(var(--least), 100%), 1fr));
}
.fields[data-low] {
  align-items: end;
}
</style>
