<script setup lang="ts">
// What takes long: how far it is, a press that stops it, and how it ended until that is put
// away.
import { X } from '@lucide/vue'
import { computed, ref } from 'vue'
import { type TaskView, words } from '@/api/client'
import IconPress from '@/kit/IconPress.vue'
import { dropTask, going, sending, stopSending, stopTask, useTasks } from './tasks'

const props = defineProps<{
  /** What is told of: files brought in, or packets. */ kind: TaskView['kind']
  /** Only what is of this job. */ job?: string
}>()
const { data } = useTasks()
// One that still arrives is told by who sends it.
const list = computed(
  () => data.value?.filter((t) => t.kind === props.kind && (!props.job || t.job === props.job) && t.state !== 'arriving') ?? [],
)
const sent = computed(() => (props.kind === 'bring' ? sending.value : undefined))
const wrong = ref('')

const part = (done: number, total: number) => (total > 0 ? Math.floor((100 * done) / total) : 0)
const says = (t: TaskView) =>
  t.state === 'waiting'
    ? 'Waits for its turn.'
    : t.state === 'refused'
      ? `Not taken: ${t.says}`
      : `${t.kind === 'pack' && t.state === 'done' ? `${asked(t)} ` : ''}${t.says || 'Begun.'}${t.state === 'running' && t.total ? ` ${part(t.done, t.total)} %` : ''}`

// What was packed before a change is of before it.
const asked = (t: TaskView) =>
  `Asked for at ${new Date(t.created).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}:`

async function press(what: Promise<void>) {
  wrong.value = ''
  try {
    await what
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <div v-if="sent || list.length || wrong" class="long">
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ul aria-label="What takes long">
      <li v-if="sent">
        <span class="name">{{ sent.name }}</span>
        <span class="says">On its way, {{ part(sent.done, sent.total) }} %</span>
        <span class="acts">
          <progress :max="sent.total" :value="sent.done" :aria-label="`${sent.name}, sent`"></progress>
          <button type="button" class="press tight" @click="stopSending">Stop</button>
        </span>
      </li>
      <li v-for="t in list" :key="t.id" :class="t.state">
        <span class="name">{{ t.name }}</span>
        <span class="says" :role="t.state === 'refused' ? 'alert' : undefined">
          {{ says(t) }}
          <span v-if="t.path" class="place small">at {{ t.path }}</span>
        </span>
        <span v-if="going(t)" class="acts">
          <progress :max="t.total || 1" :value="t.done" :aria-label="`${t.name}, done`"></progress>
          <button type="button" class="press tight" @click="press(stopTask(t.id))">Stop</button>
        </span>
        <span v-else class="acts">
          <a v-if="t.kind === 'pack' && t.state === 'done'" class="press tight" :href="`/api/v1/tasks/${t.id}/file`" download>
            Fetch the packet
          </a>
          <RouterLink v-else-if="t.kind === 'bring' && t.job" class="press tight" :to="`/jobs/${t.job}/measure`">Open</RouterLink>
          <IconPress slim :icon="X" :name="`Put away what is said of ${t.name}`" @click="press(dropTask(t.id))" />
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.long ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
.long li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  padding: 8px 12px;
  border-left: 4px solid var(--rule-strong);
}
.long li.done {
  border-color: var(--ember);
}
.long li.refused {
  border-color: var(--stop);
  background: var(--stop-wash);
}
.name {
  font-weight: 600;
  overflow-wrap: anywhere;
}
.says {
  flex: 1 1 16em;
  min-width: 0;
}
.place {
  margin-left: 8px;
  color: var(--ink-soft);
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  align-items: center;
  gap: 14px;
  margin-left: auto;
}
progress {
  width: 10em;
  height: 10px;
  accent-color: var(--ink);
}
</style>
