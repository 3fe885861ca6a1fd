<script setup lang="ts">
import { readWhole } from '@/kit/readWhole'
import { ref } from 'vue'
import { api, take, words } from '@/api/client'
import { refreshJobs, useJobs } from '@/api/queries'
import DialogBox from '@/kit/DialogBox.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import { useRail } from '@/device'
import { once } from '@/kit/once'

const props = defineProps<{ calc: string; title: string; request: Record<string, unknown> }>()
const { data: jobs } = useJobs(false)
const rail = useRail()
const asking = ref(false)
const name = ref('')
const job = ref('')
const wrong = ref('')
const said = ref('')

function ask() {
  name.value = props.title
  job.value = rail.job || jobs.value?.[0]?.id || ''
  wrong.value = ''
  asking.value = true
}
const keep = once(async () => {
  if (!(await readWhole())) return
  try {
    await take(
      api.POST('/api/v1/jobs/{id}/numbers', {
        params: { path: { id: job.value } },
        body: { calc: props.calc, title: name.value, request: props.request as never },
      }),
    )
    said.value = `Kept in ${jobs.value?.find((j) => j.id === job.value)?.brief.name ?? 'the job'}.`
    asking.value = false
    refreshJobs()
  } catch (e) {
    wrong.value = words(e)
  }
})
</script>

<template>
  <div class="row">
    <button type="button" class="press" :disabled="!jobs?.length" @click="ask">Keep in a job</button>
    <span role="status" class="small">{{ said || (jobs && !jobs.length ? 'There is no job to keep it in yet.' : '') }}</span>
    <DialogBox :show="asking" title="Keep in a job" @close="asking = false">
      <TextField v-model="name" label="What it is for" :wrong="wrong" :maxlength="120" @enter="keep" />
      <PickOne v-model="job" label="Job" :choices="(jobs ?? []).map((j) => ({ value: j.id, text: j.brief.name }))" />
      <template #actions>
        <button type="button" class="press" @click="asking = false">Not now</button>
        <button type="button" class="press main" @click="keep">Keep</button>
      </template>
    </DialogBox>
  </div>
</template>
