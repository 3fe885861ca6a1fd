<script setup lang="ts">
// All files of the job in one, made while other pages are looked at.
import { ref } from 'vue'
import { words } from '@/api/client'
import LongWork from '@/jobs/LongWork.vue'
import { packJob } from '@/jobs/tasks'
import WholeRow from './WholeRow.vue'
import { once } from '@/kit/once'

const props = defineProps<{ job: string; units: 'mm' | 'in'; paper: 'a4' | 'letter' }>()
const wrong = ref('')
const asked = ref(false)
const pack = once(async () => {
  if (asked.value) return
  asked.value = true
  wrong.value = ''
  try {
    await packJob(props.job, props.units, props.paper)
  } catch (e) {
    wrong.value = words(e)
  }
  asked.value = false
})
</script>

<template>
  <section>
    <WholeRow name="Everything in one" says="all that is not held back, with a list of what is in it and what is not, and why">
      <button type="button" class="press" @click="pack">Pack all files</button>
    </WholeRow>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <LongWork kind="pack" :job="job" />
  </section>
</template>
