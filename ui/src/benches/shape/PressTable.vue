<script setup lang="ts">
// Lines a round is pressed at, in their order on the flat; or how it is rolled.
import type { Part } from '@/api/client'
import Frac from '@/kit/Frac.vue'
import TableFrame from '@/kit/TableFrame.vue'

defineProps<{ round: NonNullable<Part['round']> }>()
</script>

<template>
  <p v-if="!round.lines.length" class="soft">
    It is rolled, or bent over a former: the drawn side is the outside. Check it with a card cut to its radius as you go.
  </p>
  <template v-else>
    <p class="soft">
      The drawn side is the outside; “in” is away from it. Press the lines next to both ends first, and check with a card as you
      go.
    </p>
    <TableFrame name="Press lines from the left end">
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col">Turn</th>
          <th scope="col">Long</th>
          <th scope="col">From, from the left and the front</th>
          <th scope="col">To</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(l, i) in round.lines" :key="i">
          <th scope="row" class="num">{{ l.number }}</th>
          <td class="num">{{ l.text }}</td>
          <td class="num"><Frac :text="l.long.text" :lies="l.long.lies" :off="l.long.off" /></td>
          <td class="num">{{ l.ends[0] }}</td>
          <td class="num">{{ l.ends[1] }}</td>
        </tr>
      </tbody>
    </TableFrame>
  </template>
</template>
