<script setup lang="ts">
// One answer of a supplier.
import type { components } from '@/api/schema'

defineProps<{
  quote: components['schemas']['Quote']
  money: string
  named?: boolean
  /** The part as it is now. */ now?: number
}>()
</script>

<template>
  <span class="quote">
    <span v-if="named">{{ quote.name }}, </span>r{{ quote.revision }}, for {{ quote.count
    }}<template v-if="quote.asked">, {{ quote.asked }}</template
    >: <b v-if="quote.refused" class="no">refused: {{ quote.refused }}</b
    ><b v-else
      ><template v-if="quote.price != null">{{ quote.price }} {{ money }}</template
      ><template v-if="quote.price != null && quote.days != null">, </template
      ><template v-if="quote.days != null">{{ quote.days }} days</template></b
    >
    <span v-if="now !== undefined && now !== quote.revision" class="mind">· the part is r{{ now }} now: ask again</span>
  </span>
</template>

<style scoped>
.no {
  color: var(--stop);
}
.mind {
  color: var(--mind);
  font-weight: 600;
}
</style>
