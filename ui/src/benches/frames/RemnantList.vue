<script setup lang="ts">
// Pieces left from before; they are cut up first.
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame }>()
const list = computed(() => props.open.doc.value!.saw?.remnants ?? [])
const stocks = computed(() => (props.open.worked.value?.stocks ?? []).map((s) => ({ value: s, text: s })))
const save = (next: typeof list.value) => props.open.set('/saw', { ...props.open.doc.value!.saw, remnants: next })
const change = (i: number, more: object) => save(list.value.map((r, k) => (k === i ? { ...r, ...more } : r)))
</script>

<template>
  <h3>Remnants, used first</h3>
  <CardList
    :rows="list"
    word="remnant"
    add="Remnant"
    :make="() => ({ stock: stocks[0]?.value ?? '', length: 1000 })"
    small
    @change="(v) => save(v)"
    v-slot="{ row: r, i }"
  >
    <div class="cells remnant">
      <PickOne
        :label="`Remnant ${i + 1} is`"
        :choices="stocks.some((s) => s.value === r.stock) ? stocks : [{ value: r.stock, text: r.stock }, ...stocks]"
        :model-value="r.stock"
        @update:model-value="(v) => change(i, { stock: v })"
      />
      <ValueField
        :label="`Remnant ${i + 1} long`"
        :model-value="r.length"
        :lengths="open.style.value"
        :wrong="open.fault(`/saw/remnants/${i}/length`)"
        @update:model-value="(v) => change(i, { length: v })"
      />
      <ValueField
        :label="`Remnants ${i + 1}, how many`"
        kind="count"
        :model-value="r.many || 1"
        :lengths="open.style.value"
        :wrong="open.fault(`/saw/remnants/${i}/many`)"
        @update:model-value="(v) => change(i, { many: v })"
      />
    </div>
  </CardList>
</template>
