<script setup lang="ts">
// A sheet with the index of its sections at the left; above it on narrow
// screens.
defineProps<{ label: string; sections: { id: string; name: string; says?: string | number }[] }>()
const go = (id: string) => document.getElementById(id)?.scrollIntoView({ block: 'start' })
</script>

<template>
  <div class="bench">
    <nav class="index" :aria-label="label">
      <button v-for="s in sections" :key="s.id" type="button" class="press bare tight" @click="go(s.id)">
        {{ s.name }} <span class="soft">{{ s.says }}</span>
      </button>
    </nav>
    <div class="page">
      <slot />
    </div>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
}
.index {
  position: sticky;
  top: 0;
  align-self: start;
  display: grid;
  gap: 2px;
  padding: 20px 8px;
  justify-items: start;
}
.index .press {
  min-height: 44px;
  text-align: left;
}
.page {
  width: 100%;
  min-width: 0;
}
@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
  .index {
    position: static;
    display: flex;
    flex-wrap: wrap;
    padding: 10px 16px 0;
  }
}
</style>
