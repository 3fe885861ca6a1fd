<script setup lang="ts">
// Devices in board, to try where they go: the underside with its feet, and the
// whole as a folded box.
import { Box, Footprints, Scissors } from '@lucide/vue'
import { ref } from 'vue'
import { type Device, words } from '@/api/client'
import { fetchFile } from '@/api/file'

const props = defineProps<{ job: string; device: Device; units: 'mm' | 'in'; paper: 'a4' | 'letter'; board: number }>()
const wrong = ref('')
const said = ref('')
const kinds = [
  { kind: 'underside', name: 'Underside', about: 'paper, its feet full size', icon: Footprints },
  { kind: 'box', name: 'Box', about: 'paper, for the board above', icon: Box },
  { kind: 'box-dxf', name: 'Box', about: 'DXF, for the board above', icon: Scissors },
]
async function get(kind: string) {
  wrong.value = said.value = ''
  const q = new URLSearchParams({ paper: props.paper, units: props.units, board: String(props.board) })
  try {
    said.value = `${await fetchFile(`/api/v1/jobs/${props.job}/dummies/${props.device.id}/${kind}?${q}`)} is in your downloads.`
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <div class="dummy">
    <strong class="name">{{ device.name }}</strong>
    <template v-if="device.envelope">
      <button v-for="k in kinds" :key="k.kind" type="button" class="press file" @click="get(k.kind)">
        <component :is="k.icon" :size="20" aria-hidden="true" />
        <span
          >{{ k.name }}<span class="hidden-label"> of {{ device.name }}. </span
          ><span class="small soft about">{{ k.about }}</span></span
        >
      </button>
    </template>
    <span v-else class="soft"
      >has no envelope yet: <RouterLink :to="`/jobs/${job}/measure/brief`">give its size in the brief</RouterLink>.</span
    >
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p role="status" class="small">{{ said }}</p>
  </div>
</template>

<style scoped>
.dummy {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.name {
  width: 200px;
  overflow-wrap: anywhere;
}
.file {
  min-height: 58px;
  justify-content: flex-start;
  text-align: left;
}
.about {
  display: block;
  font-weight: 400;
}
</style>
