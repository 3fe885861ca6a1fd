<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Brief, type JobView, Refused, take, words } from '@/api/client'
import { archiveJob, refreshJobs, useJobs } from '@/api/queries'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import DialogBox from '@/kit/DialogBox.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import { useRail } from '@/device'
import BackupLine from './BackupLine.vue'
import BringJob from './BringJob.vue'
import JobRow from './JobRow.vue'
import LongWork from './LongWork.vue'
import { alter } from '@/documents/alter'
import { blankBrief } from './starter'
import { urgency, useWaits } from './waits'
import { freeName } from '@/kit/freeName'
import { once } from '@/kit/once'

const router = useRouter()
const archived = ref(false)
const { data: jobs, error, isPending } = useJobs(archived)
const waits = useWaits(jobs)
const sought = ref('')
const orders = [
  { value: 'touched', text: 'last touched' },
  { value: 'waits', text: 'what waits' },
  { value: 'ready', text: 'ready by' },
  { value: 'name', text: 'name' },
] as const
const order = ref<(typeof orders)[number]['value']>('touched')
const tells = (j: JobView) => [j.brief.name, j.brief.vehicle, j.brief.purpose].join(' ').toLowerCase()
/** Those that have every word that was typed, in the order that was asked for. */
const shown = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean)
  const list = (jobs.value ?? []).filter((j) => words.every((w) => tells(j).includes(w)))
  const day = (j: JobView) => j.brief.limits?.date || '9999'
  if (order.value === 'name') list.sort((a, b) => a.brief.name.localeCompare(b.brief.name))
  if (order.value === 'ready') list.sort((a, b) => day(a).localeCompare(day(b)))
  if (order.value === 'waits') list.sort((a, b) => urgency(waits(b.id)) - urgency(waits(a.id)))
  return list
})
const rail = useRail()
rail.job = rail.part = ''
rail.stops = 0

const asking = ref<'' | 'job' | 'part' | 'rename'>('')
const jobName = ref('')
const into = ref('')
const unit = ref<Brief['unit']>('mm')
const wrong = ref('')
const said = ref('')
const renaming = ref<JobView>()
// Whoever has not opened a job on this device yet is shown the demo.
const first = !Object.keys(localStorage).some((k) => k.startsWith('warmanvil.opened'))
const units = computed(() => wordsOf('Brief', 'unit'))

function ask(what: 'job' | 'part') {
  asking.value = what
  wrong.value = ''
  jobName.value = proposed()
  into.value = what === 'part' ? (jobs.value?.[0]?.id ?? '') : ''
}

const start = once(async () => {
  try {
    let job = jobs.value?.find((j) => j.id === into.value)
    if (!job || asking.value === 'job')
      job = await take(api.POST('/api/v1/jobs', { body: blankBrief(jobName.value, unit.value) }))
    refreshJobs()
    await router.push(`/jobs/${job.id}/shape/new`)
  } catch (e) {
    wrong.value = (e instanceof Refused && e.at('/name')) || words(e)
  }
})

/** A name for a job that has none yet. */
const proposed = () => freeName(`Job of ${new Date().toLocaleDateString(undefined, { day: 'numeric', month: 'long' })}`, names())
const names = () => (jobs.value ?? []).map((j) => j.brief.name)

async function change(what: string, name: string, how: Promise<unknown>) {
  try {
    await how
    said.value = `${name} ${what}.`
    asking.value = ''
  } catch (e) {
    wrong.value = said.value = words(e)
  }
  refreshJobs()
}

const duplicate = once(async (job: JobView) => {
  try {
    const copy = await take(api.POST('/api/v1/jobs/{id}/duplicate', { params: { path: { id: job.id } } }))
    said.value = `${copy.brief.name} made.`
  } catch (e) {
    said.value = words(e)
  }
  refreshJobs()
})

const rename = (job: JobView) =>
  change(
    'renamed',
    jobName.value,
    alter('brief', job.id, (b) => ({ ...b, name: jobName.value })),
  )
function askName(job: JobView) {
  renaming.value = job
  jobName.value = job.brief.name
  wrong.value = ''
  asking.value = 'rename'
}
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Warm Anvil</h1>
      <p class="soft">Brackets, trays and mounts from nothing to a file that cuts and a template that measures true.</p>
    </header>
    <nav class="starts" aria-label="Start">
      <button type="button" class="press main" @click="ask('part')">New part</button>
      <RouterLink class="press" to="/quick">Quick number</RouterLink>
      <RouterLink v-if="first && jobs?.length" class="press" :to="`/jobs/${jobs[0]!.id}/shape`">Look at the demo jobs</RouterLink>
    </nav>
    <section>
      <div class="bar">
        <h2>{{ archived ? 'Put away' : 'Jobs' }}</h2>
        <button v-if="!archived" type="button" class="press tight" @click="ask('job')">New job</button>
        <BringJob v-if="!archived" @said="(t) => (said = t)" />
        <span class="gap"></span>
        <button type="button" class="press tight bare" @click="archived = !archived">
          {{ archived ? 'Back to the jobs' : 'Look at what was put away' }}
        </button>
      </div>
      <div v-if="(jobs?.length ?? 0) > 1" class="seek" role="search">
        <input
          v-model="sought"
          class="box"
          type="search"
          aria-label="Find a job"
          placeholder="name, vehicle, what it is for"
          autocomplete="off"
          spellcheck="false"
          @keydown.esc="sought = ''"
        />
        <PickOne
          v-model="order"
          label="in order of"
          hide-label
          :choices="orders.map((o) => ({ value: o.value, text: `by ${o.text}` }))"
        />
        <span class="small soft" aria-live="polite">{{ sought ? `${shown.length} of ${jobs!.length}` : '' }}</span>
      </div>
      <p aria-live="polite" class="small said">{{ said }}</p>
      <LongWork kind="bring" />
      <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
      <p v-else-if="isPending" class="soft">Fetching the jobs.</p>
      <div v-else-if="!jobs?.length && !archived" class="empty">
        <p>No job yet. A job holds the parts of one vehicle and what they are for.</p>
        <button type="button" class="press main" @click="ask('job')">Start the first job</button>
      </div>
      <p v-else-if="!jobs?.length" class="soft">Nothing was put away.</p>
      <p v-else-if="!shown.length" class="soft">No job says “{{ sought.trim() }}”.</p>
      <ul v-else class="jobs">
        <JobRow
          v-for="j in shown"
          :key="j.id"
          :job="j"
          :waits="waits(j.id)"
          :archived="archived"
          @rename="askName(j)"
          @duplicate="duplicate(j)"
          @put="change(archived ? 'brought back' : 'put away', j.brief.name, archiveJob(j.id, !archived))"
        />
      </ul>
    </section>
    <BackupLine />

    <DialogBox
      :show="asking === 'job' || asking === 'part'"
      :title="asking === 'part' ? 'New part' : 'New job'"
      @close="asking = ''"
    >
      <PickOne
        v-if="asking === 'part' && jobs?.length"
        v-model="into"
        label="In the job"
        :choices="[...jobs.map((j) => ({ value: j.id, text: j.brief.name })), { value: '', text: 'a new job' }]"
      />
      <template v-if="asking === 'job' || !into">
        <TextField v-model="jobName" label="Name of the job" :wrong="wrong" @enter="start" />
        <ChoiceRow v-model="unit" label="Lengths in" :choices="units" />
      </template>
      <template #actions>
        <button type="button" class="press" @click="asking = ''">Not now</button>
        <button type="button" class="press main" @click="start">Start</button>
      </template>
    </DialogBox>
    <DialogBox :show="asking === 'rename'" title="Rename the job" @close="asking = ''">
      <TextField v-model="jobName" label="Name of the job" :wrong="wrong" @enter="rename(renaming!)" />
      <template #actions>
        <button type="button" class="press" @click="asking = ''">Not now</button>
        <button type="button" class="press main" @click="rename(renaming!)">Rename</button>
      </template>
    </DialogBox>
  </div>
</template>

<style scoped>
.head h1 {
  font-size: 2rem;
}
.starts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.starts .press {
  min-height: 60px;
  padding: 0 28px;
  font-size: 1.1rem;
}
.bar {
  display: flex;
  gap: 16px;
  align-items: center;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
}
.gap {
  flex: 1;
}
.seek {
  display: grid;
  grid-template-columns: minmax(160px, 380px) 200px 1fr;
  gap: 12px;
  align-items: center;
  padding-top: 10px;
}
@media (max-width: 700px) {
  .seek {
    grid-template-columns: 1fr;
  }
}
.said {
  min-height: 1.4em;
}
.jobs {
  list-style: none;
  margin: 0;
  padding: 0;
}
.empty {
  padding: 28px 0;
  display: grid;
  gap: 14px;
  justify-items: start;
}
</style>
