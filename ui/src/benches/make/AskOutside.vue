<script setup lang="ts">
// Suppliers and this job's parts: whose rules take them, what was asked and answered.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import { newId } from '@/api/ids'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import QuoteRow from '@/shop/QuoteRow.vue'
import { useShop } from '@/shop/useShop'

const props = defineProps<{ job: string }>()
const open = useShop(true)
const { data, error } = useQuery({
  queryKey: computed(() => ['job-suppliers', props.job, open.view.value?.revision]),
  queryFn: () => take(api.GET('/api/v1/jobs/{id}/suppliers', { params: { path: { id: props.job } } })),
})
const suppliers = computed(() => open.shop.value?.suppliers ?? [])
const quotes = (supplier: string, part: string) =>
  suppliers.value.find((s) => s.id === supplier)?.quotes?.filter((q) => q.part === part) ?? []
const asking = ref('') // supplier and row
const answer = ref<'price' | 'refused'>('price')
const price = ref<number | null>(null)
const days = ref<number | null>(null)
const refused = ref('')
type Part = { part: string; name: string; revision: number; quantity: number }
function ask(row: string) {
  asking.value = asking.value === row ? '' : row
  answer.value = 'price'
  price.value = days.value = null
  refused.value = ''
}
function keep(supplier: string, p: Part) {
  const i = suppliers.value.findIndex((s) => s.id === supplier)
  if (i < 0) return
  open.set(
    `/suppliers/${i}/quotes` as never,
    [
      ...(suppliers.value[i]!.quotes ?? []),
      {
        id: newId(),
        part: p.part,
        name: p.name,
        revision: p.revision,
        count: p.quantity,
        asked: new Date().toISOString().slice(0, 10),
        ...(answer.value === 'refused'
          ? { refused: refused.value || 'no reason given' }
          : { price: price.value ?? undefined, days: days.value ?? undefined }),
      },
    ] as never,
  )
  asking.value = ''
}
</script>

<template>
  <section v-if="data?.suppliers.length" class="outside">
    <h2>Asked outside</h2>
    <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
    <article v-for="s in data.suppliers" :key="s.id" :data-outside="s.name">
      <h3>
        {{ s.name }}<span v-if="s.does" class="soft"> · {{ s.does }}</span>
      </h3>
      <p v-if="!s.rules" class="soft">None of its rules are said in the Shop: nothing is checked before it is asked.</p>
      <ul>
        <li v-for="(p, k) in s.parts" :key="k" :data-asked="p.name">
          <span class="what"
            ><b>{{ p.name }}{{ p.hand ? `, ${p.hand} hand` : '' }}</b
            ><span class="soft"> · r{{ p.revision }}, for {{ p.quantity }}</span></span
          >
          <span v-if="p.why" class="soft">{{ p.why }}</span>
          <span v-else-if="p.breaks.length" class="mind">{{ p.breaks.map((b) => b.says).join('; ') }}</span>
          <span v-else-if="s.rules" class="soft"
            >keeps the {{ s.rules === 1 ? 'one rule' : `${s.rules} rules` }} that {{ s.rules === 1 ? 'is' : 'are' }} said</span
          >
          <button type="button" class="press tight" @click="ask(`${s.id} ${k}`)">Write down the answer</button>
          <span v-for="q in quotes(s.id, p.part)" :key="q.id" class="wide"
            ><QuoteRow :quote="q" :money="open.shop.value?.currency ?? ''" :now="p.revision"
          /></span>
          <form v-if="asking === `${s.id} ${k}`" class="wide" @submit.prevent="keep(s.id, p)">
            <ChoiceRow
              v-model="answer"
              label="It"
              :choices="[
                { value: 'price', text: 'gave a price' },
                { value: 'refused', text: 'refused' },
              ]"
            />
            <FieldGrid :min="140" low>
              <template v-if="answer === 'price'">
                <ValueField
                  label="Price for all"
                  kind="number"
                  :model-value="price"
                  :lengths="open.style.value"
                  @update:model-value="(v) => (price = v)"
                />
                <ValueField
                  label="Days"
                  kind="count"
                  optional
                  :model-value="days"
                  :lengths="open.style.value"
                  @update:model-value="(v) => (days = v)"
                  @clear="days = null"
                />
              </template>
              <TextField v-else v-model="refused" label="Why" />
            </FieldGrid>
            <button type="submit" class="press main tight">Keep it</button>
          </form>
        </li>
      </ul>
    </article>
  </section>
</template>

<style scoped>
.outside,
article {
  display: grid;
  gap: 6px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.what {
  flex: 1 1 240px;
}
.wide {
  flex-basis: 100%;
  padding-left: 16px;
}
form {
  display: grid;
  gap: 10px;
}
.mind {
  color: var(--mind);
}
</style>
