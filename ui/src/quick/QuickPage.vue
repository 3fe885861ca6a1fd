<script setup lang="ts">
// Single calculations without a job, each on one screen, last used first.
import { wordsOf } from '@/api/words'
import { usualGrain } from '@/jobs/starter'
import { computed, ref, watch } from 'vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import type { Style } from '@/kit/readLength'
import { calculations, inOrder, markUsed } from './calculations'
import QuickCalc from './QuickCalc.vue'
import QuickLength from './QuickLength.vue'
import QuickSection from './QuickSection.vue'

const props = defineProps<{ calc?: string }>()
const list = ref(inOrder())
const now = computed(() => calculations.find((c) => c.slug === props.calc) ?? list.value[0]!)
watch(
  () => props.calc,
  (slug) => slug && markUsed(slug),
  { immediate: true },
)
const key = 'warmanvil.quick.unit'
const unit = ref<Style['unit']>((localStorage.getItem(key) as Style['unit'] | null) ?? 'mm')
watch(unit, (u) => localStorage.setItem(key, u))
const style = computed<Style>(() => ({
  unit: unit.value,
  grain: unit.value === 'fraction' ? 25.4 / 32 : usualGrain(unit.value),
}))
</script>

<template>
  <div class="quick">
    <nav class="which" aria-label="Quick numbers">
      <h1>Quick numbers</h1>
      <RouterLink
        v-for="c in list"
        :key="c.slug"
        :to="`/quick/${c.slug}`"
        class="item"
        :class="{ on: c.slug === now.slug }"
        :aria-current="c.slug === now.slug ? 'page' : undefined"
      >
        <strong>{{ c.title }}</strong><span class="small soft">{{ c.about }}</span>
      </RouterLink>
    </nav>
    <section class="one" :aria-label="now.title">
      <div class="top">
        <h2>{{ now.title }}</h2>
        <ChoiceRow v-model="unit" label="Lengths in" hide-label :choices="wordsOf('Brief', 'unit')" />
      </div>
      <QuickLength v-if="now.special === 'length'" :lengths="style" />
      <QuickSection v-else-if="now.special === 'section'" :lengths="style" />
      <QuickCalc v-else :key="now.slug" :calculation="now" :lengths="style" />
    </section>
  </div>
</template>

<style scoped>
.quick {
  display: grid;
  grid-template-columns: 290px minmax(0, 1fr);
  min-height: 100%;
}
.which {
  border-right: 1px solid var(--rule);
  padding: 16px 0 40px;
}
.which h1 {
  padding: 0 16px 10px;
}
.item {
  display: grid;
  padding: 8px 16px;
  min-height: 56px;
  border-left: 4px solid transparent;
  color: var(--ink);
  text-decoration: none;
}
.item:hover {
  background: var(--sunk);
}
.item.on {
  border-left-color: var(--ember);
  background: var(--ember-wash);
}
.one {
  container-type: inline-size;
  padding: 16px 24px 80px;
  display: grid;
  gap: 18px;
  align-content: start;
}
.top {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 8px;
}
@media (max-width: 760px) {
  .quick {
    grid-template-columns: 1fr;
  }
  .which {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
    padding-bottom: 8px;
    display: flex;
    overflow-x: auto;
    align-items: center;
  }
  .which h1 {
    display: none;
  }
  .item {
    flex: none;
    padding: 8px 12px;
    min-height: 44px;
    align-content: center;
  }
  .item .small {
    display: none;
  }
  .one {
    padding: 12px;
  }
}
</style>
