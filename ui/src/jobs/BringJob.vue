<script setup lang="ts">
// Brings in a job from a file, as a job of its own.
import { Upload } from '@lucide/vue'
import { ref } from 'vue'
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'

const emit = defineEmits<{ said: [text: string] }>()
const box = ref<HTMLInputElement>()

async function bring(files: FileList | null) {
  const file = files?.[0]
  if (!file) return
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
  } finally {
    box.value!.value = ''
  }
}
</script>

<template>
  <button type="button" class="press tight" @click="box!.click()"><Upload :size="18" aria-hidden="true" />Bring in a file</button>
  <input
    ref="box"
    type="file"
    accept=".json"
    class="hidden-label"
    tabindex="-1"
    aria-label="A job's file"
    @change="bring(($event.target as HTMLInputElement).files)"
  />
</template>
