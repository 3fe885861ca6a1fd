<script setup lang="ts">
// The bends in the order in which they can be made, or what stands in the way.
import { Play } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { BendStep, Part } from '@/api/client'
import DialogBox from '@/kit/DialogBox.vue'
import WhyButton from '@/kit/WhyButton.vue'
import BendTable from './BendTable.vue'
import BendingPlay from './BendingPlay.vue'
import type { Bench } from './useBench'
import { useBending } from './useBending'

const props = defineProps<{ bench: Bench; built: Part }>()
const emit = defineEmits<{ split: [] }>()
const part = computed(() => props.bench.part.value!)
const { bending, far, why, stopped, look, leave } = useBending(part.value)
const step = ref(0)
const watching = ref(false)
const inches = computed(() => props.bench.style().unit !== 'mm')
const thickness = computed(() => part.value.recipe.value?.thickness ?? 1)

/** Rows of the table: those found, else those by rule. */
const rows = computed((): BendStep[] => {
  const b = bending.value
  if (!b?.goes) return props.built.steps
  return b.steps.flatMap((s) =>
    s.ids.flatMap((id) => {
      const by = props.built.steps.find((x) => x.id === id)
      return by
        ? [
            {
              ...by,
              order: s.order,
              sideUp: s.sideUp,
              turned: s.turned,
              stop: s.stop ?? by.stop,
              stopAt: s.stopAt,
              bare: !s.stop,
            },
          ]
        : []
    }),
  )
})
const summary = computed(() => {
  const b = bending.value
  if (!b) return ''
  const times = (n: number, how: string) =>
    n === 0 ? `never turned ${how}` : n === 1 ? `turned ${how} once` : `turned ${how} ${n} times`
  const steps = b.steps.length === 1 ? 'One step' : `${b.steps.length} steps`
  const looked = b.found === 'exact' ? 'every state was looked at' : 'searched, not every state looked at'
  return `${steps} on ${b.brake}, the sheet ${times(b.over, 'over')} and ${times(b.round, 'round')}: ${looked}.`
})
</script>

<template>
  <div class="bending">
    <p v-if="far" role="status" class="row looking">
      <progress :value="far.done" :max="far.total || 1" /> Bending it, step by step{{
        far.total ? `: ${far.done} of ${far.total}` : ''
      }}
      <button type="button" class="press tight" @click="leave">Stop</button>
    </p>
    <p v-else-if="stopped" class="row soft">
      Not looked at: the order below is by rule alone.
      <button type="button" class="press tight" @click="look">Look for the order</button>
    </p>
    <p v-else-if="why" class="soft">{{ why }}</p>
    <template v-else-if="bending && !bending.goes && bending.conflict">
      <div class="caution" role="note">
        <b>It cannot be bent as it stands on {{ bending.brake }}.</b>
        {{
          bending.conflict.proven
            ? 'There is no order with these tools.'
            : `No order was found among ${bending.looked} states; there may be one.`
        }}
        <p>{{ bending.conflict.says }}</p>
        <p>Ways out:</p>
        <ol>
          <li v-for="w in bending.conflict.ways" :key="w">{{ w }}</li>
        </ol>
        <p class="row">
          <button type="button" class="press tight" @click="emit('split')">Where to split it</button>
          <RouterLink to="/shop" class="press tight bare">The shop</RouterLink>
        </p>
      </div>
      <p class="soft">The order below is by rule alone.</p>
    </template>
    <template v-else-if="bending">
      <p class="row">
        {{ summary }}
        <WhyButton name="the order of bends" :working="bending.working" />
        <button type="button" class="press tight" @click="watching = true">
          <Play :size="18" aria-hidden="true" /> Watch it bend
        </button>
      </p>
      <p v-if="bending.usual.length" class="soft">
        Taken as usual, since the Shop does not say it: {{ bending.usual.join('; ') }}.
        <RouterLink to="/shop" class="press tight bare">Say it in the Shop</RouterLink>
      </p>
      <DialogBox full title="The bends, one by one" :show="watching" @close="watching = false">
        <BendingPlay v-model:step="step" :bending="bending" :thickness="thickness" :inches="inches" />
        <template #actions>
          <button type="button" class="press" @click="watching = false">Close</button>
        </template>
      </DialogBox>
    </template>
    <BendTable :inches="inches" :bends="built.bendLines" :steps="rows" :explain="part.explain" @choose="bench.pick" />
  </div>
</template>

<style scoped>
.bending {
  display: grid;
  gap: 12px;
}
.looking progress {
  width: 140px;
  accent-color: var(--ember);
}
ol {
  margin: 4px 0;
  padding-left: 22px;
}
.row {
  flex-wrap: wrap;
}
</style>
