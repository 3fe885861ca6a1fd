<script setup lang="ts">
// Brings in a job from a file, as a job of its own.
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import FilePick from '@/kit/FilePick.vue'

const emit = defineEmits<{ said: [text: string] }>()

async function bring(file: File) {
  try {
    let body
    try {
      body = JSON.parse(await file.text())
    } catch {
      emit('said', `${file.name} is not a job's file.`)
      return
    }
    const job: JobView = await take(api.POST('/api/v1/import', { body }))
    emit('said', `${job.brief.name} brought in.`)
    refreshJobs()
  } catch (e) {
    emit('said', `${file.name} was not taken: ${words(e)}`)
  }
}
</script>

<template>
  <FilePick tight label="Bring in a file" accept=".json" @pick="bring" />
</template>
