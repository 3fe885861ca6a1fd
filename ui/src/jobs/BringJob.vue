<script setup lang="ts">
// Brings in a job from a file, as a job of its own.
import { words } from '@/api/client'
import FilePick from '@/kit/FilePick.vue'
import { bringFile } from './tasks'

const emit = defineEmits<{ said: [text: string] }>()

async function bring(file: File) {
  emit('said', '')
  try {
    await bringFile(file)
  } catch (e) {
    emit('said', `${file.name} was not taken: ${words(e)}`)
  }
}
</script>

<template>
  <FilePick tight label="Bring in a file" accept=".json" @pick="bring" />
</template>
