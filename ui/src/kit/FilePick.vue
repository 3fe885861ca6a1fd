<script setup lang="ts">
// A file of this device: picked by a press, or dropped where it is asked for.
import { Upload } from '@lucide/vue'
import { NUpload, NUploadDragger, type UploadFileInfo } from 'naive-ui'

defineProps<{
  /** What the press says. */ label: string
  /** The kinds of file, as a browser takes them: .dxf,.svg */ accept: string
  /** A field to drop it on, where the file is what the screen is about. */ wide?: boolean
  tight?: boolean
}>()
const emit = defineEmits<{ pick: [file: File] }>()
// What becomes of it is the caller's: nothing is sent or listed here.
function take({ file }: { file: UploadFileInfo }) {
  if (file.file) emit('pick', file.file)
  return false
}
</script>

<template>
  <NUpload class="pick" :class="{ wide }" :accept="accept" :show-file-list="false" :default-upload="false" @before-upload="take">
    <NUploadDragger v-if="wide" class="drop">
      <button type="button" class="press main"><Upload :size="18" aria-hidden="true" />{{ label }}</button>
      <span class="soft">or drop it here</span>
    </NUploadDragger>
    <button v-else type="button" class="press" :class="{ tight }"><Upload :size="18" aria-hidden="true" />{{ label }}</button>
  </NUpload>
</template>

<style scoped>
.pick {
  width: auto;
}
.drop {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 16px;
  text-align: left;
  padding: 16px;
}
</style>
