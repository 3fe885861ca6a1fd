<script setup lang="ts">
// What two states of a part differ in, in words.
import { ref, watch } from 'vue'
import { api, type PartState, take, words } from '@/api/client'
import type { Style } from '@/kit/readLength'

const props = defineProps<{ was: PartState; now: PartState; lengths: Style; heads: [string, string] }>()
const list = ref<{ what: string; was: string; now: string }[]>()
const wrong = ref('')
const only = (s: PartState) => ({ name: s.name, quantity: s.quantity, recipe: s.recipe })
watch(
  () => [props.was, props.now] as const,
  async ([was, now]) => {
    const { unit, grain } = props.lengths // and nothing else a part is built with
    try {
      list.value = await take(api.POST('/api/v1/compare', { body: { was: only(was), now: only(now), unit, grain } }))
      wrong.value = ''
    } catch (e) {
      wrong.value = words(e)
    }
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  <p v-else-if="list && !list.length" class="soft">They say the same.</p>
  <div v-else-if="list" class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">What differs</th>
          <th scope="col">{{ heads[0] }}</th>
          <th scope="col">{{ heads[1] }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="d in list" :key="d.what">
          <th scope="row">{{ d.what }}</th>
          <td>{{ d.was || '–' }}</td>
          <td class="num">{{ d.now }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: 34dvh;
}
</style>
