<script setup lang="ts">
// Choices of one feature that are not numbers.
import BaseOptions from './BaseOptions.vue'
import EdgeOptions from './EdgeOptions.vue'
import FeatureTools from './FeatureTools.vue'
import FlangeOptions from './FlangeOptions.vue'
import HoleOptions from './HoleOptions.vue'
import type { Bench } from './useBench'

defineProps<{ bench: Bench; path: string; word: string }>()
</script>

<template>
  <div class="options">
    <FeatureTools v-if="path !== '/base'" :bench="bench" :path="path" :word="word" />
    <BaseOptions v-if="path === '/base'" :bench="bench" />
    <HoleOptions v-else-if="/\/holes\/\d+$/.test(path)" :bench="bench" :path="path" />
    <EdgeOptions v-else-if="/\/(edges|marks)\/\d+$/.test(path)" :bench="bench" :path="path" />
    <FlangeOptions v-else :bench="bench" :path="path" />
  </div>
</template>

<style scoped>
.options {
  display: grid;
  gap: 10px;
  padding: 4px 12px 12px;
}
</style>
