<script setup lang="ts">
// Which frame is open, whether it is saved, undo and redo.
import { computed } from 'vue'
import type { JobPage } from '@/api/client'
import ThingStrip from '@/benches/ThingStrip.vue'
import DocumentBar from '@/documents/DocumentBar.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; page: JobPage; id: string }>()
// The frame's document: what is chosen in the drawing has a name of its own.
const whole = computed(() => ({ ...props.open, doc: props.open.head }))
</script>

<template>
  <ThingStrip :page="page" kind="frame" :id="id" :name="open.head.value!.name" :send="open.send">
    <DocumentBar :open="whole" />
  </ThingStrip>
</template>
