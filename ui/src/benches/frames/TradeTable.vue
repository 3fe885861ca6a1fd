<script setup lang="ts">
// The frame in several metals side by side, sections as they are; one press takes one, with
// the reason why.
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import { useStock } from '@/api/queries'
import type { components } from '@/api/schema'
import FieldGrid from '@/kit/FieldGrid.vue'
import SearchPick from '@/kit/SearchPick.vue'
import TableFrame from '@/kit/TableFrame.vue'
import TextField from '@/kit/TextField.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame }>()
const doc = computed(() => props.open.doc.value!)
const { data: stock } = useStock()
const materials = computed(() => (stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })))
const more = ref(doc.value.material)
const tries = ref<string[]>([])
const traded = ref<components['schemas']['TradedFrame'][]>()
const reason = ref('')
const busy = ref(false)
const trouble = ref('')
async function compare() {
  if (!tries.value.includes(more.value)) tries.value.push(more.value)
  busy.value = true
  trouble.value = ''
  try {
    await props.open.send() // as it stands here
    const list = [doc.value.material, ...tries.value.filter((m) => m !== doc.value.material)].slice(0, 10)
    const params = { path: { id: props.open.view.value!.id } }
    traded.value = (await take(api.POST('/api/v1/frames/{id}/trade', { params, body: { materials: list } }))).traded
  } catch (e) {
    trouble.value = words(e)
  } finally {
    busy.value = false
  }
}
function takeIt(key: string) {
  props.open.set('/material', key)
  props.open.set('/chosen', reason.value || undefined)
  traded.value = undefined
}
const show = ref('')
</script>

<template>
  <div class="trade">
    <p v-if="doc.chosen">
      It is of its metal because: <b>{{ doc.chosen }}</b>
    </p>
    <FieldGrid :min="180" low>
      <SearchPick v-model="more" label="Try it in" :choices="materials" />
      <button type="button" class="press side" :disabled="busy" @click="compare">Compare</button>
    </FieldGrid>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <template v-if="traded">
      <TableFrame name="The frame in several metals">
        <thead>
          <tr>
            <th>metal</th>
            <th>frame</th>
            <th>hardest</th>
            <th>moves</th>
            <th>cost</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="t in traded" :key="t.material">
            <tr :data-trade="t.material">
              <td>
                {{ t.name }}<span v-if="t.now" class="soft">, in now</span
                ><span v-if="t.harms" class="block over">{{ t.harms }}</span>
                <button
                  v-if="t.stops.length + t.minds.length + t.rusts.length"
                  type="button"
                  class="press tight bare"
                  :aria-expanded="show === t.material"
                  @click="show = show === t.material ? '' : t.material"
                >
                  <b v-if="t.stops.length" class="over">{{ t.stops.length }} stop </b
                  ><template v-if="t.minds.length">{{ t.minds.length }} mind </template
                  ><template v-if="t.rusts.length">corrodes</template>
                </button>
              </td>
              <td class="num">{{ t.mass }}</td>
              <td><VerdictLine v-if="t.verdict" :utilisation="t.use" :verdict="t.verdict" :label="t.name" /></td>
              <td class="num">
                {{ t.moves }}<span v-if="t.swings" class="block soft">{{ t.swings }}</span>
              </td>
              <td class="num">{{ t.cost != null ? t.cost.toFixed(2) : 'no price' }}</td>
              <td><button v-if="!t.now" type="button" class="press tight" @click="takeIt(t.material)">Take it</button></td>
            </tr>
            <tr v-if="show === t.material || t.why">
              <td colspan="6">
                <p v-if="t.why">{{ t.why }}</p>
                <ul v-if="show === t.material" class="flags">
                  <li v-for="x in t.stops" :key="x" class="over">{{ x }}</li>
                  <li v-for="x in t.rusts" :key="x">{{ x }}</li>
                  <li v-for="x in t.minds" :key="x">{{ x }}</li>
                </ul>
              </td>
            </tr>
          </template>
        </tbody>
      </TableFrame>
      <TextField v-model="reason" label="Why it is taken (it is printed)" />
    </template>
  </div>
</template>

<style scoped>
.trade {
  display: grid;
  gap: 12px;
}
.side {
  align-self: end;
}
.block {
  display: block;
}
.over {
  color: var(--stop);
}
.flags {
  margin: 0;
  padding-left: 18px;
}
</style>
