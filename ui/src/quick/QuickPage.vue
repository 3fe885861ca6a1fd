<script setup lang="ts">
// Single calculations without a job, each on one screen, last used first.
import { wordsOf } from '@/api/words'
import { usualGrain } from '@/jobs/starter'
import { Search } from '@lucide/vue'
import { computed, onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import type { Style } from '@/kit/readLength'
import { calculations, grouped, inOrder, markUsed } from './calculations'
import { find } from './find'
import QuickCalc from './QuickCalc.vue'
import QuickLength from './QuickLength.vue'
import QuickSection from './QuickSection.vue'

const props = defineProps<{ calc?: string }>()
const router = useRouter()
const list = ref(inOrder())
const asked = ref('')
const box = ref<HTMLInputElement>()
const groups = computed(() => {
  if (!asked.value.trim()) return grouped(list.value)
  const found = find(list.value, asked.value)
  return found.length ? [{ title: `${found.length} of ${list.value.length}`, list: found }] : []
})
const now = computed(() => calculations.find((c) => c.slug === props.calc) ?? list.value[0]!)
function openFirst() {
  const first = groups.value[0]?.list[0]
  if (!first || !asked.value.trim()) return
  asked.value = ''
  void router.push(`/quick/${first.slug}`)
}
// A hand at the keys finds a number by its name at once; one at the glass would only get the pad.
onMounted(() => !props.calc && !matchMedia('(pointer: coarse)').matches && box.value?.focus())
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
      <div class="ask" role="search">
        <Search :size="20" aria-hidden="true" />
        <input
          ref="box"
          v-model="asked"
          class="box"
          type="search"
          aria-label="Find a number"
          placeholder="tap drill, bend deduction, kerf"
          autocomplete="off"
          spellcheck="false"
          @keydown.enter.prevent="openFirst"
          @keydown.esc="asked = ''"
        />
      </div>
      <p v-if="!groups.length" class="none soft" role="status">Nothing here goes by “{{ asked.trim() }}”.</p>
      <template v-for="g in groups" :key="g.title">
        <h2 class="group">{{ g.title }}</h2>
        <RouterLink
          v-for="c in g.list"
          :key="c.slug"
          :to="`/quick/${c.slug}`"
          class="item"
          :class="{ on: c.slug === now.slug }"
          :aria-current="c.slug === now.slug ? 'page' : undefined"
          @click="asked = ''"
        >
          <strong>{{ c.title }}</strong><span class="small soft">{{ c.about }}</span>
        </RouterLink>
      </template>
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
.ask {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 16px 8px;
}
.ask .box {
  flex: 1;
  min-width: 0;
}
.none {
  padding: 0 16px;
}
.group {
  padding: 12px 16px 2px;
  font: 600 0.8125rem var(--text);
  color: var(--ink-soft);
}
.item {
  display: grid;
  align-content: center;
  line-height: 1.25;
  padding: 6px 16px;
  min-height: 52px;
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
  .which h1,
  .group {
    display: none;
  }
  .ask {
    position: sticky;
    left: 0;
    flex: none;
    width: 190px;
    padding: 0 8px;
    background: var(--paper);
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
