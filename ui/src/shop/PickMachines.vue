<script setup lang="ts">
// What the shop has, ticked from pictures; its limits come as usual values to be typed over.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { pictures } from './pictures'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const machines = computed(() => props.open.shop.value?.machines ?? [])
const of = (kind: string, sort: string) => machines.value.filter((m) => m.kind === kind && m.sort === sort)
type Kind = NonNullable<typeof machines.value>[number]['kind']

/** One more of it, or, where there is one that nobody has said anything of, none. */
function tick(kind: Kind, sort: string) {
  const have = of(kind, sort)
  const bare = have.length === 1 && !have[0]!.name && !Object.keys(have[0]!.limits ?? {}).length ? have[0] : undefined
  if (have.length && !bare) return // what was said of it goes by its bin, not by a tick
  const next = bare ? machines.value.filter((m) => m !== bare) : [...machines.value, { id: newId(), kind, sort }]
  props.open.set('/machines', next)
}
</script>

<template>
  <div class="pick">
    <template v-for="k in open.kinds.value" :key="k.kind">
      <button
        v-for="s in k.sorts"
        :key="s.sort"
        type="button"
        class="press machine"
        :data-pick="`${k.kind} ${s.sort}`"
        :aria-pressed="of(k.kind as Kind, s.sort).length > 0"
        @click="tick(k.kind as Kind, s.sort)"
      >
        <svg viewBox="0 0 48 32" aria-hidden="true"><path :d="pictures[`${k.kind} ${s.sort}`] ?? pictures[k.kind]" /></svg>
        <span
          >{{ s.text
          }}<template v-if="of(k.kind as Kind, s.sort).length > 1"> × {{ of(k.kind as Kind, s.sort).length }}</template></span
        >
      </button>
    </template>
  </div>
</template>

<style scoped>
.pick {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 8px;
}
.machine {
  display: grid;
  justify-items: center;
  gap: 4px;
  min-height: 84px;
  padding: 8px 6px;
  font-size: 0.9rem;
  line-height: 1.15;
}
.machine[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
}
svg {
  width: 54px;
  height: 36px;
  fill: none;
  stroke: currentColor;
  stroke-width: 1.6;
  stroke-linejoin: round;
  stroke-linecap: round;
}
</style>
