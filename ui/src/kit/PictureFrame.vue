<script setup lang="ts">
// A drawing with the button that saves it as a picture.
import PictureButton from './PictureButton.vue'

defineProps<{ name: string }>()
</script>

<template>
  <div class="pictured">
    <slot />
    <PictureButton :name="name" />
  </div>
</template>

<style scoped>
.pictured {
  position: relative;
}
</style>
