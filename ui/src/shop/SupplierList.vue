<script setup lang="ts">
// Who work is sent to: their own rules, checked before they are asked, and what they answered.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import CardList from '@/kit/CardList.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import QuoteRow from './QuoteRow.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const suppliers = computed(() => props.open.shop.value?.suppliers ?? [])
const set = (path: string, v: unknown) => props.open.set(`/suppliers${path}` as never, v as never)
const fault = (path: string) => props.open.faults.value[`/suppliers${path}`]
const money = computed(() => props.open.shop.value?.currency ?? '')
</script>

<template>
  <CardList
    :rows="suppliers"
    word="supplier"
    add="Add a supplier"
    :name="(s) => s.name"
    :make="() => ({ id: newId(), name: '' })"
    @change="(v) => open.set('/suppliers', v)"
    ><template #default="{ row: s, i }">
      <article class="supplier" :data-supplier="s.name">
        <FieldGrid :min="150" low>
          <TextField
            label="Name"
            :model-value="s.name"
            :wrong="fault(`/${i}/name`)"
            @update:model-value="(v) => set(`/${i}/name`, v)"
          />
          <TextField
            label="What is asked there"
            :model-value="s.does ?? ''"
            :wrong="fault(`/${i}/does`)"
            @update:model-value="(v) => set(`/${i}/does`, v || undefined)"
          />
          <ValueField
            label="Days, usually"
            kind="count"
            optional
            :model-value="s.days ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/days`)"
            @update:model-value="(v) => set(`/${i}/days`, v)"
            @clear="set(`/${i}/days`, undefined)"
          />
          <ValueField
            v-for="r in open.rules.value"
            :key="r.key"
            :label="r.text"
            optional
            :model-value="s.rules?.[r.key] ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/rules/${r.key}`)"
            @update:model-value="(v) => set(`/${i}/rules`, { ...s.rules, [r.key]: v })"
            @clear="set(`/${i}/rules`, { ...s.rules, [r.key]: undefined })"
          />
        </FieldGrid>
        <ol v-if="s.quotes?.length" aria-label="Asked and answered">
          <li v-for="q in s.quotes" :key="q.id"><QuoteRow :quote="q" :money="money" named /></li>
        </ol>
      </article> </template
  ></CardList>
</template>

<style scoped>
.supplier {
  display: grid;
  gap: 10px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
