<script setup lang="ts">
// The whole job on a bench: what is tapped is gone to.
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { words } from '@/api/client'
import { useWhole } from '@/api/queries'
import type { Show } from '@/body/ink'
import WholeView, { type Picked } from '@/body/WholeView.vue'

const props = defineProps<{ job: string; show: Show; at?: number }>()
const emit = defineEmits<{ joint: [id: string] }>()
const router = useRouter()
const { data: whole, error } = useWhole(() => props.job)
const bench = computed(() => `/jobs/${props.job}`)
function go(p: Picked) {
  const to: Record<Picked['kind'], () => unknown> = {
    part: () => router.push(`${bench.value}/shape/${p.of}`),
    frame: () => router.push(`${bench.value}/shape/frame/${p.of}`),
    body: () => router.push(`${bench.value}/shape/body/${p.of}`),
    device: () => router.push(`${bench.value}/measure#devices`),
    box: () => router.push(`${bench.value}/measure/room#placed`),
    space: () => router.push(`${bench.value}/measure/room#spaces`),
    point: () => router.push(`${bench.value}/measure/vehicle#${p.of ? 'maps' : 'points'}`),
    joint: () => (props.show === 'hold' ? emit('joint', p.id) : router.push(`${bench.value}/hold`)),
  }
  to[p.kind]()
}
</script>

<template>
  <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
  <WholeView v-else-if="whole" :whole="whole" :show="show" :at="at" @pick="go" />
  <p v-else class="soft">Putting the job together.</p>
</template>
