<script setup lang="ts">
// Shows a length as the server wrote it, fractions set as fractions.
import { computed } from 'vue'

const props = defineProps<{ text: string; lies?: string; off?: string }>()
const pieces = computed(() => props.text.split(/(\d+\/\d+)/))
</script>

<template>
  <span class="frac"
    ><template v-for="(piece, i) in pieces" :key="i"
      ><span v-if="i % 2" class="fr">{{ piece }}</span
      ><template v-else>{{ piece }}</template></template
    ><span v-if="off" class="lies" :title="`the true size is ${off} in ${lies === 'heavy' ? 'larger' : 'smaller'} than shown`">
      {{ lies }} {{ off }}</span
    ></span
  >
</template>

<style scoped>
.frac {
  white-space: nowrap;
  word-spacing: -0.08em;
}
.lies {
  margin-left: 0.25em;
  font-size: 0.72em;
  color: var(--ink-soft);
  font-weight: 400;
}
</style>
