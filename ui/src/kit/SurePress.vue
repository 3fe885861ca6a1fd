<script setup lang="ts">
// A press that no undo takes back: it asks once, beside itself, and by keys too.
import { NPopconfirm } from 'naive-ui'
import { nextTick, ref, useId } from 'vue'

defineProps<{
  /** What the press says. */ text: string
  /** To what it is done, for those who hear it. */ name: string
  /** The question, with what comes of it. */ ask: string
}>()
const emit = defineEmits<{ sure: [] }>()
const id = useId()
const trigger = ref<HTMLButtonElement>()
async function shown(on: boolean) {
  await nextTick()
  if (on) document.getElementById(id)?.closest<HTMLElement>('[role=alertdialog]')?.querySelector<HTMLElement>('button')?.focus()
  else trigger.value?.focus()
}
</script>

<template>
  <NPopconfirm
    :show-icon="false"
    positive-text="Yes"
    negative-text="No"
    role="alertdialog"
    :aria-labelledby="id"
    @positive-click="emit('sure')"
    @update:show="shown"
  >
    <template #trigger>
      <button ref="trigger" type="button" class="press tight" :aria-label="name">{{ text }}</button>
    </template>
    <p :id="id" class="ask">{{ ask }}</p>
  </NPopconfirm>
</template>

<style scoped>
.ask {
  max-width: 320px;
  margin: 0;
}
</style>
