<script setup lang="ts">
import type { Part } from '@/api/client'
import Frac from '@/kit/Frac.vue'
import WhyButton from '@/kit/WhyButton.vue'

defineProps<{ part: Part }>()
</script>

<template>
  <section class="figures" aria-label="Figures">
    <dl>
      <div
        v-for="f in part.figures"
        :key="f.key"
        :class="{ lead: f.key.startsWith('blank') || f.key === 'mass' }"
        :data-figure="f.key"
      >
        <dt>{{ f.name }}</dt>
        <dd><Frac :text="f.text" :lies="f.lies" :off="f.off" class="num" /> <WhyButton :name="f.name" :working="f.working" /></dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
dl {
  margin: 0;
  display: grid;
  gap: 1px;
}
dl > div {
  display: grid;
}
dt {
  color: var(--ink-soft);
  font-size: 0.82rem;
}
dd {
  margin: 0;
  display: flex;
  align-items: baseline;
  justify-content: space-between;
}
.lead .num {
  font-size: 1.3rem;
  font-weight: 640;
}
@media (max-width: 1000px) {
  dl {
    grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
    gap: 8px 20px;
  }
}
</style>
