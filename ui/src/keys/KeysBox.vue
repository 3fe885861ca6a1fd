<script setup lang="ts">
// What the keys do here, asked for with a question mark.
import { computed, onMounted, onUnmounted, ref } from 'vue'
import DialogBox from '@/kit/DialogBox.vue'
import { bound } from './keys'
import TableFrame from '@/kit/TableFrame.vue'

const shown = ref(false)
const always = [
  ['Alt+1 … Alt+4', 'to the benches: Measure, Shape, Hold, Make'],
  ['Tab, Shift+Tab', 'to the next or the last control'],
  ['Enter, Shift+Enter', 'in a size: take it and go to the next or the one before'],
  ['Arrow up, down', 'in a size: a step of the job’s grain'],
  ['Esc', 'closes what stands open'],
  ['?', 'shows this'],
]
const nice: Record<string, string> = {
  'ctrl+z': 'Ctrl+Z',
  'ctrl+shift+z': 'Ctrl+Shift+Z',
  'alt+arrowdown': 'Alt+Down',
  'alt+arrowup': 'Alt+Up',
}
const here = computed(() => (shown.value ? bound().map((b) => [nice[b.combo] ?? b.combo, b.says]) : []))
function onKey(e: KeyboardEvent) {
  const at = e.target as HTMLElement
  if (e.key === '?' && !['INPUT', 'TEXTAREA', 'SELECT'].includes(at.tagName)) {
    e.preventDefault()
    shown.value = true
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
onUnmounted(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <DialogBox title="Keys" :show="shown" @close="shown = false">
    <TableFrame name="Keys">
      <tbody>
        <tr v-for="[k, says] in [...here, ...always]" :key="k">
          <th scope="row">
            <kbd>{{ k }}</kbd>
          </th>
          <td>{{ says }}</td>
        </tr>
      </tbody>
    </TableFrame>
    <template #actions>
      <button type="button" class="press main" @click="shown = false">Close</button>
    </template>
  </DialogBox>
</template>

<style scoped>
th {
  text-align: left;
  white-space: nowrap;
  padding-right: 16px;
}
td,
th {
  padding-block: 6px;
}
kbd {
  font: 640 1rem var(--text);
}
</style>
