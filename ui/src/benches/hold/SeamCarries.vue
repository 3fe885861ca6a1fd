<script setup lang="ts">
// What each seam of a body or of welded corners carries by itself, beside the sheet it joins.
import type { WeldPlan } from '@/api/client'
import type { Style } from '@/kit/readLength'
import TableFrame from '@/kit/TableFrame.vue'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from '@/quick/Shown.vue'

defineProps<{ seams: WeldPlan['seams']; lengths: Style }>()
</script>

<template>
  <section class="stack" data-carries>
    <h3>What each carries by itself</h3>
    <p class="small soft">
      Pulled through its middle, nothing bending it. What presses and shakes the whole is not known here: that it holds is not
      said by this.
    </p>
    <div class="all">
      <TableFrame name="What each seam carries">
        <thead>
          <tr>
            <th></th>
            <th>seam</th>
            <th class="n">long</th>
            <th class="n">leg</th>
            <th>it carries</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in seams" :key="s.id">
            <td class="num">{{ s.number }}</td>
            <td>{{ s.name }}</td>
            <td class="n num"><Shown :value="s.long" kind="length" :lengths="lengths" /></td>
            <td class="n num"><Shown :value="s.leg" kind="length" :lengths="lengths" /></td>
            <td>{{ s.carries?.says ?? 'it has no form that can be asked' }}</td>
            <td>
              <WhyButton v-if="s.carries" :name="`What ${s.name} carries`" :working="s.carries.working" />
            </td>
          </tr>
        </tbody>
      </TableFrame>
    </div>
  </section>
</template>

<style scoped>
.all {
  max-height: 360px;
  overflow-y: auto;
}
.n {
  text-align: right;
  white-space: nowrap;
}
</style>
