<script setup lang="ts">
// What things cost, since when, and who said so.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import CardList from '@/kit/CardList.vue'
import DateField from '@/kit/DateField.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const prices = computed(() => props.open.shop.value?.prices ?? [])
const set = (path: string, v: unknown) => props.open.set(`/prices${path}` as never, v as never)
const fault = (path: string) => props.open.faults.value[`/prices${path}`]
const today = () => new Date().toISOString().slice(0, 10)
</script>

<template>
  <TextField
    label="The shop's money is called"
    :model-value="open.shop.value?.currency ?? ''"
    @update:model-value="(v) => open.set('/currency', v || undefined)"
  />
  <CardList
    :rows="prices"
    word="price"
    small
    add="Add a price"
    :name="(p) => p.what"
    :make="() => ({ id: newId(), what: '', price: 0, date: today() })"
    @change="(v) => open.set('/prices', v)"
    ><template #default="{ row: p, i }">
      <FieldGrid :min="120" low>
        <TextField
          label="What"
          :model-value="p.what"
          :wrong="fault(`/${i}/what`)"
          @update:model-value="(v) => set(`/${i}/what`, v)"
        />
        <ValueField
          label="Price"
          kind="number"
          :model-value="p.price"
          :lengths="open.style.value"
          :wrong="fault(`/${i}/price`)"
          @update:model-value="(v) => set(`/${i}/price`, v)"
        />
        <TextField
          label="Per: piece when left out"
          :model-value="p.per ?? ''"
          :wrong="fault(`/${i}/per`)"
          @update:model-value="(v) => set(`/${i}/per`, v || undefined)"
        />
        <DateField label="Since" :model-value="p.date ?? ''" @update:model-value="(v) => set(`/${i}/date`, v || undefined)" />
        <TextField
          label="Who said so"
          :model-value="p.source ?? ''"
          :wrong="fault(`/${i}/source`)"
          @update:model-value="(v) => set(`/${i}/source`, v || undefined)"
        />
      </FieldGrid> </template
  ></CardList>
</template>
