<script setup lang="ts">
import { Anchor, Calculator, Hammer, MoonStar, NotebookText, Ruler, Scissors, Sun, Users, Warehouse } from '@lucide/vue'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useSession } from './door/session'
import { useDevice, useRail } from './device'

const device = useDevice()
const rail = useRail()
const route = useRoute()
const { session } = useSession()
const benches = computed(() =>
  rail.job
    ? [
        { to: `/jobs/${rail.job}/measure`, name: 'Measure', key: 1, icon: Ruler, count: 0 },
        {
          to: `/jobs/${rail.job}/shape${rail.part ? '/' + rail.part : ''}`,
          name: 'Shape',
          key: 2,
          icon: Scissors,
          count: rail.stops,
        },
        { to: `/jobs/${rail.job}/hold`, name: 'Hold', key: 3, icon: Anchor, count: rail.over },
        { to: `/jobs/${rail.job}/make`, name: 'Make', key: 4, icon: Hammer, count: 0 },
      ]
    : [],
)
const on = (name: string) => route.path.split('/')[3] === name.toLowerCase()
</script>

<template>
  <nav class="rail" aria-label="Benches">
    <RouterLink to="/jobs" class="stop" :class="{ here: route.path === '/jobs' }">
      <NotebookText :size="24" aria-hidden="true" /><span>Jobs</span>
    </RouterLink>
    <RouterLink
      v-for="b in benches"
      :key="b.name"
      :to="b.to"
      class="stop bench"
      :class="{ here: on(b.name) }"
      :title="`${b.name} (Alt+${b.key})`"
    >
      <component :is="b.icon" :size="24" aria-hidden="true" /><span>{{ b.name }}</span>
      <span v-if="b.count" class="count" :aria-label="`${b.count} to stop for`">{{ b.count }}</span>
    </RouterLink>
    <RouterLink to="/shop" class="stop apart" :class="{ here: route.path.startsWith('/shop') }">
      <Warehouse :size="24" aria-hidden="true" /><span>Shop</span>
    </RouterLink>
    <RouterLink to="/quick" class="stop" :class="{ here: route.path.startsWith('/quick') }">
      <Calculator :size="24" aria-hidden="true" /><span>Quick</span>
    </RouterLink>
    <RouterLink v-if="session?.state === 'in'" to="/people" class="stop" :class="{ here: route.path === '/people' }">
      <Users :size="24" aria-hidden="true" /><span>{{ session.role === 'owner' ? 'People' : 'Account' }}</span>
    </RouterLink>
    <button
      class="stop"
      type="button"
      :aria-pressed="device.theme === 'shed'"
      @click="device.theme = device.theme === 'day' ? 'shed' : 'day'"
    >
      <component :is="device.theme === 'day' ? MoonStar : Sun" :size="24" aria-hidden="true" /><span>{{
        device.theme === 'day' ? 'Dim' : 'Day'
      }}</span>
    </button>
  </nav>
</template>

<style scoped>
.rail {
  background: var(--sunk);
  border-right: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  padding: 6px 0;
}
.stop {
  position: relative;
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 10px 2px;
  min-height: 60px;
  align-content: center;
  color: var(--ink);
  text-decoration: none;
  font-size: 0.8rem;
  font-weight: 560;
  background: none;
  border: 0;
  border-left: 4px solid transparent;
  cursor: pointer;
}
.stop:hover {
  background: var(--paper);
}
.here {
  border-left-color: var(--ember);
  background: var(--paper);
}
.bench {
  border-top: 1px solid var(--rule);
}
.apart {
  margin-top: auto;
}
.count {
  position: absolute;
  top: 4px;
  right: 8px;
  min-width: 22px;
  padding: 0 5px;
  background: var(--stop);
  color: var(--paper);
  font-weight: 700;
  text-align: center;
}
@media (max-width: 900px) {
  .rail {
    flex-direction: row;
    border-right: 0;
    border-top: 1px solid var(--rule);
    padding: 0;
  }
  .stop {
    flex: 1;
    border-left: 0;
    border-top: 4px solid transparent;
    min-height: 56px;
    padding: 4px 2px;
  }
  .here {
    border-top-color: var(--ember);
  }
  .apart {
    margin: 0;
  }
}
</style>
