<script setup lang="ts">
// Files of the whole job: what they are, and the presses that fetch them.
defineProps<{ name: string; says: string }>()
</script>

<template>
  <div class="row">
    <span class="name">
      <strong>{{ name }}</strong>
      <span class="small soft">{{ says }}</span>
    </span>
    <slot />
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.name {
  display: grid;
  margin-right: 8px;
}
</style>
