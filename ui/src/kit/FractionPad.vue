<script setup lang="ts">
// Large keys for a thumb: digits, fractions, units. Opens on touch.
const props = defineProps<{ text: string; metric: boolean }>()
const emit = defineEmits<{ text: [text: string]; done: [] }>()
const digits = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '-']
const parts = ['1/2', '1/4', '3/4', '1/8', '3/8', '5/8', '7/8', '/16', '/32']

function add(key: string) {
  const joint = /^\d+\/\d+$/.test(key) && /\d$/.test(props.text) ? '-' : ''
  emit('text', props.text + joint + key)
}
</script>

<template>
  <div class="pad" @pointerdown.prevent>
    <div class="keys digits">
      <button v-for="d in digits" :key="d" type="button" class="press" @click="add(d)">{{ d }}</button>
    </div>
    <div class="keys fractions">
      <button v-for="f in parts" :key="f" type="button" class="press" @click="add(f)">{{ f }}</button>
    </div>
    <div class="keys rest">
      <button type="button" class="press" aria-label="Rub out" @click="emit('text', text.slice(0, -1))">Rub out</button>
      <button type="button" class="press" @click="add(metric ? ' in' : ' mm')">{{ metric ? 'in' : 'mm' }}</button>
      <button type="button" class="press" @click="emit('text', '')">Clear</button>
      <button type="button" class="press main" @click="emit('done')">Done</button>
    </div>
  </div>
</template>

<style scoped>
.pad {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 40;
  display: grid;
  grid-template-columns: 3fr 3fr 1.3fr;
  gap: 8px;
  padding: 10px;
  background: var(--sunk);
  border-top: 2px solid var(--rule-strong);
}
.keys {
  display: grid;
  gap: 6px;
}
.digits,
.fractions {
  grid-template-columns: repeat(3, 1fr);
}
.press {
  min-height: 52px;
  font-size: 1.15rem;
  padding: 0 4px;
}
</style>
