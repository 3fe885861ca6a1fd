<script setup lang="ts">
// Keeps something of a job in the shop, for every job: under a name, by a press.
import { ref } from 'vue'
import { words } from '@/api/client'
import { alter } from '@/documents/alter'
import type { State } from '@/documents/reach'
import TextField from '@/kit/TextField.vue'
import { once } from '@/kit/once'

const props = defineProps<{
  /** What the press says. */ text: string
  /** What it is called to begin with. */ name: string
  keep: (shop: State<'shop'>, name: string) => State<'shop'>
}>()
const naming = ref(false)
const called = ref('')
const said = ref('')
function ask() {
  naming.value = true
  called.value = props.name
  said.value = ''
}
const kept = once(async () => {
  try {
    await alter('shop', 'shop', (w) => props.keep(w, called.value.trim()))
    naming.value = false
    said.value = 'It is kept in the Shop.'
  } catch (e) {
    said.value = words(e)
  }
})
</script>

<template>
  <div class="keep">
    <button v-if="!naming" type="button" class="press tight" @click="ask">{{ text }}</button>
    <form v-else class="row" @submit.prevent="kept">
      <TextField v-model="called" label="Called" @enter="kept" />
      <button type="submit" class="press" :disabled="!called.trim()">Keep it</button>
    </form>
    <p v-if="said" role="status" class="small">{{ said }}</p>
  </div>
</template>

<style scoped>
.keep {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.keep .row {
  align-items: end;
}
</style>
