<script setup lang="ts">
import { computed } from 'vue'
import type { NumberView, Working } from '@/api/client'
import type { Style } from '@/kit/readLength'
import { at } from '@/api/pointer'
import WhyButton from '@/kit/WhyButton.vue'
import { calculations } from '@/quick/calculations'
import Shown from '@/quick/Shown.vue'

const props = defineProps<{ number: NumberView; lengths: Style }>()
const calc = computed(() => calculations.find((c) => c.name === props.number.calc))
const answer = computed(() => (props.number.answer ?? {}) as Record<string, unknown>)
const results = computed(() =>
  props.number.calc === 'length.parse'
    ? [{ key: 'mm', label: '', kind: 'length' as const, lead: true }]
    : (calc.value?.results.filter((r) => r.lead) ?? []),
)
const working = computed(() => answer.value.working as Working | undefined)
</script>

<template>
  <p class="kept">
    <strong>{{ number.title }}</strong>
    <span class="soft small">{{ calc?.title ?? number.calc }}</span>
    <span v-if="number.refused" class="wrong">{{ number.refused }}</span>
    <span v-for="r in results" v-else :key="r.key"
      ><span class="soft small">{{ r.label }}</span>
      <Shown class="num" :value="at(answer, `/${r.key}`)" :kind="r.kind" :lengths="lengths"
    /></span>
    <WhyButton v-if="working" :name="number.title" :working="working" />
  </p>
</template>

<style scoped>
.kept {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  padding: 10px 0;
}
</style>
