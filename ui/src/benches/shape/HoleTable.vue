<script setup lang="ts">
// Hole centres to mark out, from the blank's front left corner.
import type { Part } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { OpenPart } from './usePart'
import WhyButton from '@/kit/WhyButton.vue'
import Frac from '@/kit/Frac.vue'
import TableFrame from '@/kit/TableFrame.vue'

defineProps<{ holes: Part['holes']; explain: OpenPart['explain'] }>()
const made = (how: string) => wordsOf('Hole', 'made').find((w) => w.value === how)?.text ?? how
const emit = defineEmits<{ choose: [feature: string] }>()
</script>

<template>
  <p v-if="!holes.length" class="soft">No hole yet: tap a face of the drawing and choose a hole.</p>
  <TableFrame v-else name="Holes to mark out">
    <thead>
      <tr>
        <th scope="col">Hole</th>
        <th scope="col">Size</th>
        <th scope="col">From the left of the blank</th>
        <th scope="col">From the front of the blank</th>
        <th v-if="holes.some((h) => h.on)" scope="col">On the round</th>
        <th scope="col">Made</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="h in holes.slice(0, 200)" :key="h.id">
        <th scope="row">
          <button type="button" class="press tight bare name" @click="emit('choose', h.feature)">{{ h.name }}</button>
        </th>
        <td><Frac :text="h.size" /></td>
        <td class="num">
          <Frac :text="h.x.text" :lies="h.x.lies" :off="h.x.off" /><WhyButton
            :name="`${h.name} from the left`"
            :working="() => explain({ what: 'hole', id: h.id, axis: 'x' })"
          />
        </td>
        <td class="num">
          <Frac :text="h.y.text" :lies="h.y.lies" :off="h.y.off" /><WhyButton
            :name="`${h.name} from the front`"
            :working="() => explain({ what: 'hole', id: h.id, axis: 'y' })"
          />
        </td>
        <td v-if="holes.some((x) => x.on)" class="num">{{ h.on?.text ?? 'beside it' }}</td>
        <td>{{ made(h.made) }}</td>
      </tr>
    </tbody>
  </TableFrame>
  <p v-if="holes.length > 200" class="soft">The first 200 of {{ holes.length }}; the cut ticket lists all.</p>
</template>

<style scoped>
.name {
  padding: 0;
  color: var(--ink);
  text-align: left;
}
</style>
