<script setup lang="ts">
// A coupon of a seam as it was tried, into the Shop's log: what it was set to, and what came of it.
import { ref } from 'vue'
import { type WeldedTold, words } from '@/api/client'
import { newId } from '@/api/ids'
import { queryClient } from '@/api/queries'
import { mayBe, wordsOf } from '@/api/words'
import { alter } from '@/documents/alter'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'

const props = defineProps<{ how: WeldedTold['seams'][number]['how']; of: string }>()
const set = ref('')
const result = ref<'worked' | 'poor' | 'failed'>('worked')
const broke = ref<'' | 'beside' | 'weld' | 'held'>('')
const wrong = ref('')
const done = ref('')
async function keep() {
  wrong.value = done.value = ''
  if (!set.value.trim()) {
    wrong.value = 'Say what it was set to: current or heat, wire or rod, gas.'
    return
  }
  const row = {
    id: newId(),
    operation: 'welding' as const,
    machine: props.how.machine,
    material: props.how.material!,
    thickness: props.how.thick!,
    set: set.value.trim(),
    result: result.value,
    broke: broke.value || undefined,
    part: props.of.slice(0, 80),
    date: new Date().toLocaleDateString('sv'),
  }
  try {
    await alter('shop', 'shop', (w) => ({ ...w, settings: [...(w.settings ?? []), row] }))
    await queryClient.invalidateQueries({ queryKey: ['holding'] })
    done.value = 'It is in the Shop’s log.'
    set.value = ''
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <details data-tried>
    <summary>Write down a coupon</summary>
    <FieldGrid :min="180" keep>
      <TextField label="What it was set to" :model-value="set" @update:model-value="(v) => (set = v)" />
      <PickOne
        label="It"
        :choices="wordsOf('Setting', 'result')"
        :model-value="result"
        @update:model-value="(v) => (result = v as typeof result)"
      />
      <PickOne
        label="Bent or torn, it"
        :choices="mayBe('Setting', 'broke')"
        :model-value="broke"
        @update:model-value="(v) => (broke = v as typeof broke)"
      />
      <button type="button" class="press tight" @click="keep">Keep it in the Shop</button>
    </FieldGrid>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="done" role="status">{{ done }}</p>
  </details>
</template>

<style scoped>
summary {
  min-height: 36px;
  cursor: pointer;
}
.press {
  align-self: end;
  justify-self: start;
}
</style>
