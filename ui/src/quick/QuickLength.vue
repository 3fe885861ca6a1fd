<script setup lang="ts">
// Arithmetic and conversion: one entry, every way to write it.
import { ref, useId, watch } from 'vue'
import { api, askAgain, take, words } from '@/api/client'
import Frac from '@/kit/Frac.vue'
import { bareUnit, type Style } from '@/kit/readLength'
import KeepInJob from './KeepInJob.vue'

const props = defineProps<{ lengths: Style }>()
const kept = 'warmanvil.quick.length'
const text = ref(localStorage.getItem(kept) ?? '58 - 2*5/8')
const family = ref('')
const wrong = ref('')
const rows = ref<{ name: string; text: string; lies: string; off: string }[]>([])
const id = useId()
let turn = 0

watch([text, family, () => props.lengths.unit], work, { immediate: true })
async function work() {
  localStorage.setItem(kept, text.value)
  const mine = ++turn
  try {
    const mm = (await take(api.POST('/api/v1/calc/length.parse', { body: request() }))).mm
    const ways = [
      { name: 'millimetres', body: { mm, style: 'mm' as const } },
      { name: 'inch, decimal', body: { mm, style: 'decimal' as const } },
      { name: 'to 1/16 in', body: { mm, style: 'fraction' as const, denominator: 16 as const } },
      { name: 'to 1/32 in', body: { mm, style: 'fraction' as const, denominator: 32 as const } },
      { name: 'to 1/64 in', body: { mm, style: 'fraction' as const, denominator: 64 as const } },
      { name: 'feet and inches', body: { mm, style: 'fraction' as const, denominator: 16 as const, feet: true } },
    ]
    const got = await Promise.all(
      ways.map(async (w) => ({ name: w.name, ...(await take(api.POST('/api/v1/calc/length.format', { body: w.body }))) })),
    )
    if (mine !== turn) return
    rows.value = got
    wrong.value = ''
  } catch (e) {
    if (mine !== turn) return
    wrong.value = words(e)
    rows.value = []
    askAgain(e, () => mine === turn, work)
  }
}
function request() {
  return {
    text: text.value,
    unit: bareUnit(props.lengths) as 'mm' | 'in',
    ...(family.value ? { family: family.value as 'steel' } : {}),
  }
}
</script>

<template>
  <div class="length">
    <div class="field">
      <label :for="id">Type it as you would say it</label>
      <input
        :id="id"
        v-model="text"
        class="box entry"
        autocomplete="off"
        spellcheck="false"
        :aria-invalid="wrong ? 'true' : 'false'"
        :aria-describedby="`${id}-note`"
      />
      <p v-if="wrong" :id="`${id}-note`" class="wrong" role="alert">{{ wrong }}</p>
      <p v-else :id="`${id}-note`" class="soft small">
        7-5/8 · 3' 2 1/8" · 31.5 cm · 58 - 2*5/8 · 10 ga steel. A bare number is in
        {{ bareUnit(lengths) === 'mm' ? 'millimetres' : 'inches' }}.
      </p>
    </div>
    <dl aria-live="polite">
      <div v-for="r in rows" :key="r.name" :data-way="r.name">
        <dt>{{ r.name }}</dt>
        <dd class="num"><Frac :text="r.text" :lies="r.lies" :off="r.off" /></dd>
      </div>
    </dl>
    <KeepInJob v-if="rows.length" calc="length.parse" :title="text" :request="request()" />
  </div>
</template>

<style scoped>
.length {
  display: grid;
  gap: 18px;
  max-width: 640px;
}
.entry {
  font-size: 1.7rem;
  min-height: 60px;
  font-weight: 600;
}
dl {
  margin: 0;
}
dl > div {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  border-bottom: 1px solid var(--rule);
  padding: 8px 0;
}
dd {
  margin: 0;
  font-size: 1.6rem;
}
dt {
  color: var(--ink-soft);
}
</style>
