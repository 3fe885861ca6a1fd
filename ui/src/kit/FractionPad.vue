<script setup lang="ts">
// Large keys for a thumb: digits, minus, fractions of an inch, the units there are. Opens on
// touch; what is typed stands over the keys, for the field may lie under them.
import { computed } from 'vue'
import { otherUnit } from './otherSystem'
import type { Kind, Style } from './readLength'

const props = defineProps<{ label: string; text: string; shown: string; kind: Kind; lengths: Style }>()
const emit = defineEmits<{ text: [text: string]; done: []; next: [] }>()
const digits = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '-']
const fractions = ['1/2', '1/4', '3/4', '1/8', '3/8', '5/8', '7/8', '/16', '/32']
const long = computed(() => props.kind === 'length' || props.kind === 'hole')
const units = computed(() => {
  const metric: Style = { unit: 'mm', grain: 1 }
  const inch: Style = { unit: 'decimal', grain: 1 }
  if (props.kind === 'angle') return ['°']
  // Asked of the one system, the other's unit is told.
  return [otherUnit(props.kind, inch), otherUnit(props.kind, metric)].filter((u) => u !== undefined)
})

function add(key: string) {
  const joint = /^\d+\/\d+$/.test(key) && /\d$/.test(props.text) ? '-' : ''
  emit('text', props.text + joint + key)
}
const unit = (u: string) => emit('text', `${props.text.replace(/\s*[^\d./\s-]\S*$/, '')} ${u}`)
</script>

<template>
  <div class="pad" :class="{ long }" role="group" :aria-label="`Keys for ${label}`" @pointerdown.prevent>
    <p class="typed">
      <span class="soft small">{{ label }}</span> <b class="num">{{ text || shown }}</b>
    </p>
    <div class="keys digits">
      <button v-for="d in digits" :key="d" :data-key="d" type="button" class="press" tabindex="-1" @click="add(d)">
        {{ d }}
      </button>
    </div>
    <div v-if="long" class="keys fractions">
      <button v-for="f in fractions" :key="f" type="button" class="press" tabindex="-1" @click="add(f)">{{ f }}</button>
    </div>
    <div v-if="units.length" class="keys units">
      <button v-for="u in units" :key="u" type="button" class="press" tabindex="-1" @click="unit(u)">{{ u }}</button>
    </div>
    <div class="keys rest">
      <button type="button" class="press" tabindex="-1" @click="emit('text', text.slice(0, -1))">Rub out</button>
      <button type="button" class="press" tabindex="-1" @click="emit('text', '')">Clear</button>
      <button type="button" class="press done" tabindex="-1" @click="emit('done')">Done</button>
      <button type="button" class="press main" tabindex="-1" @click="emit('next')">Next</button>
    </div>
  </div>
</template>

<style scoped>
.pad {
  position: fixed;
  inset: auto 0 0 0;
  z-index: 40;
  display: grid;
  grid-template-columns: 3fr 1fr 1.3fr;
  gap: 8px;
  padding: 6px 10px 10px;
  background: var(--sunk);
  border-top: 2px solid var(--rule-strong);
}
.long {
  grid-template-columns: 3fr 3fr 1fr 1.3fr;
}
.typed {
  grid-column: 1 / -1;
  margin: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.typed b {
  font-size: 1.35rem;
  margin-left: 8px;
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
@media (max-width: 600px) {
  .long {
    grid-template-columns: 3fr 3fr 1.6fr;
  }
  .long .units {
    grid-row: 3;
    grid-column: 1 / -1;
    grid-template-columns: repeat(2, 1fr);
  }
}
</style>
