<script setup lang="ts">
// Saves the drawing it lies on as a PNG.
import { ImageDown } from '@lucide/vue'
import { ref } from 'vue'
import { words } from '@/api/client'
import { keepFile } from '@/api/file'

const props = defineProps<{
  /** What is drawn, for the file's name. */ name: string
  /** It lies at the top, not at the bottom. */ high?: boolean
}>()
const button = ref<HTMLElement>()
const said = ref('')

async function save() {
  said.value = ''
  const drawing = button.value?.parentElement?.querySelector<SVGSVGElement | HTMLCanvasElement>('svg[role=img], canvas')
  if (!drawing) {
    said.value = 'Nothing is drawn here yet.'
    return
  }
  try {
    const { pictureOf } = await import('./picture')
    const file = `${
      props.name
        .toLowerCase()
        .replace(/[^\p{L}\p{N}]+/gu, '-')
        .replace(/^-|-$/g, '') || 'drawing'
    }.png`
    keepFile(await pictureOf(drawing), file)
    said.value = `${file} is in your downloads.`
  } catch (e) {
    said.value = words(e)
  }
}
</script>

<template>
  <button
    ref="button"
    type="button"
    class="picture"
    :class="{ high }"
    :title="`Save as a picture (PNG)`"
    :aria-label="`Picture of ${name}`"
    @click="save"
  >
    <ImageDown :size="18" aria-hidden="true" />
    <span v-if="said" class="hidden-label" role="status">{{ said }}</span>
  </button>
</template>

<style scoped>
.picture {
  position: absolute;
  right: 6px;
  bottom: 6px;
  width: 40px;
  height: 40px;
  display: grid;
  place-items: center;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--paper);
  color: inherit;
  cursor: pointer;
}
.picture.high {
  top: 6px;
  bottom: auto;
}
.picture:hover {
  color: var(--ember);
}
</style>
