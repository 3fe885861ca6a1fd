<script setup lang="ts">
// Said on opening a job whose verdicts a rule has changed since it was last looked at.
import { ref } from 'vue'
import { api, take, words } from '@/api/client'
import type { components } from '@/api/schema'
import { refreshJobs } from '@/api/queries'

const props = defineProps<{ job: string; rules: components['schemas']['RulesTold'] | null | undefined }>()
const trouble = ref('')
async function seen() {
  trouble.value = ''
  try {
    await take(api.POST('/api/v1/jobs/{id}/rules-seen', { params: { path: { id: props.job } } }))
    refreshJobs()
  } catch (e) {
    trouble.value = words(e)
  }
}
</script>

<template>
  <section v-if="rules" class="rules" data-rules aria-label="Rules have changed">
    <h2>The rules of strength have changed since this job was last looked at</h2>
    <p v-if="rules.unkept">What it said before was not kept. This does not hold by the rules of now:</p>
    <ul v-if="rules.turned.length">
      <li v-for="t in rules.turned" :key="t.id">
        <strong>{{ t.name }}</strong>: <template v-if="t.from">{{ t.from }} before, </template><b class="now">{{ t.to }}</b> now.
        {{ t.why }}
      </li>
    </ul>
    <p v-else>No verdict of this job is another.</p>
    <details>
      <summary>What changed</summary>
      <ul>
        <li v-for="c in rules.changes" :key="c">{{ c }}</li>
      </ul>
    </details>
    <button type="button" class="press tight" @click="seen">I have read it</button>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.rules {
  border-left: 4px solid var(--mind);
  background: var(--mind-wash);
  padding: 10px 14px;
  display: grid;
  gap: 8px;
  margin-bottom: 14px;
}
.now {
  font-weight: 700;
}
.rules .press {
  justify-self: start;
}
</style>
