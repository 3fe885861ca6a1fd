<script setup lang="ts">
// Puts a gusset beside an end of a member: part, place and both seams.
import { ref } from 'vue'
import { api, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; member: string; end: 'a' | 'b' }>()
const busy = ref(false)
const wrong = ref('')
const done = ref('')
async function add() {
  busy.value = true
  wrong.value = done.value = ''
  try {
    await props.open.send()
    const made = await take(
      api.POST('/api/v1/jobs/{id}/weld-add', {
        params: { path: { id: props.open.page.value!.job.id } },
        body: { kind: 'corner', frame: props.open.view.value!.id, member: props.member, end: props.end },
      }),
    )
    refreshJobs()
    done.value = `${made.parts[0]!.name} is in the job and stands in the corner. Whether its seams hold is told under Hold.`
  } catch (e) {
    wrong.value = words(e)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="row">
    <button type="button" class="press tight" :disabled="busy" @click="add">A gusset in its corner</button>
    <p v-if="wrong" class="wrong small" role="alert">{{ wrong }}</p>
    <p v-if="done" class="small" role="status">{{ done }}</p>
  </div>
</template>

<style scoped>
.row {
  flex-wrap: wrap;
}
p {
  margin: 0;
}
</style>
