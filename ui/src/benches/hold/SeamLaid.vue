<script setup lang="ts">
// How the Shop lays one seam: with what, where to start, and where no welder takes it the ways out in their order.
import type { SeamPlan, WeldedTold } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { Style } from '@/kit/readLength'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from '@/quick/Shown.vue'
import SeamTried from './SeamTried.vue'

const props = defineProps<{ row: SeamPlan; seam: WeldedTold['seams'][number]; lengths: Style; dots: boolean }>()
const emit = defineEmits<{ by: [SeamPlan['by']]; passed: [string | undefined]; plug: [across: number] }>()
const ways = () => [
  { value: '', text: props.row.by ? 'as the Shop has it' : `as the Shop has it: ${props.seam.how.process}` },
  ...wordsOf('SeamPlan', 'by').filter((w) => w.value === 'outside' || (w.value === 'spot') === (props.row.form === 'spot')),
]
</script>

<template>
  <p class="how" data-how>
    <template v-if="dots"
      ><span class="num">{{ seam.path.length }}</span> of them</template
    ><template v-else
      ><span class="num"><Shown :value="seam.laid" kind="length" :lengths="lengths" /></span> to lay</template
    ><template v-if="seam.how.position">, {{ seam.how.position }}</template
    >. {{ seam.how.process }}<template v-if="seam.how.why">, {{ seam.how.why }}</template
    ><template v-if="seam.how.lines.length">: {{ seam.how.lines.join('; ') }}. Run a coupon first</template>.
    <WhyButton v-if="seam.how.working" :name="`Where to start with ${row.name || row.id}`" :working="seam.how.working" />
  </p>
  <p v-if="seam.how.spots" data-spots>
    {{ seam.how.spots.says }}
    <WhyButton v-if="seam.how.spots.working" name="Plugs in place of spots" :working="seam.how.spots.working" />
    <button
      v-if="row.form === 'spot' && seam.how.spots.across"
      type="button"
      class="press tight"
      @click="emit('plug', seam.how.spots.across)"
    >
      Drill them out and plug them
    </button>
  </p>
  <p v-for="w in seam.how.worked" :key="w" class="small soft">{{ w }}</p>
  <PickOne
    class="by"
    label="Laid with"
    :choices="ways()"
    :model-value="row.by ?? ''"
    @update:model-value="(v) => emit('by', (v || undefined) as SeamPlan['by'])"
  />
  <template v-if="seam.how.past">
    <p class="mind">{{ seam.how.past }}</p>
    <ol v-if="seam.how.outs.length" class="outs" aria-label="Ways out" data-outs>
      <li v-for="o in seam.how.outs" :key="o.text">
        {{ o.text }}
        <button v-if="o.by" type="button" class="press tight" @click="emit('by', o.by as SeamPlan['by'])">Take it</button>
      </li>
    </ol>
    <TextField
      :label="
        row.by === 'outside' ? 'Who welds it, and the coupon they show' : 'Coupon that was cut and etched, or bent, and held'
      "
      :model-value="row.passed ?? ''"
      @update:model-value="(v) => emit('passed', v || undefined)"
    />
  </template>
  <SeamTried v-if="seam.how.material && row.by !== 'outside'" :how="seam.how" :of="row.name || row.id" />
</template>

<style scoped>
.how,
.mind {
  margin: 0;
}
.mind {
  color: var(--mind);
}
.by {
  max-width: 420px;
}
.outs {
  margin: 0;
  padding-left: 22px;
  display: grid;
  gap: 6px;
}
</style>
