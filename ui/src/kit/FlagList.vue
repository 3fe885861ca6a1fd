<script setup lang="ts">
// What to look out for: stops first, grouped by cause, each with its reason,
// its fixes, its working, and a way to set it aside with a reason.
import { CircleAlert, Info, OctagonX } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { Finding, Fix } from '@/api/client'
import WhyButton from './WhyButton.vue'

const props = defineProps<{ findings: Finding[]; /** What is said cannot be set aside here. */ firm?: boolean }>()
const emit = defineEmits<{
  fix: [fix: Fix]
  look: [feature: string]
  aside: [finding: Finding, reason: string]
  back: [finding: Finding]
}>()

const icon = { stop: OctagonX, mind: CircleAlert, note: Info }
const asking = ref('')
const reason = ref('')
const key = (f: Finding) => `${f.code} ${f.feature} ${f.reason}`
const groups = computed(() => {
  const out: { cause: string; severity: Finding['severity']; list: Finding[] }[] = []
  for (const f of props.findings) {
    const g = out.find((x) => x.cause === f.cause && x.severity === f.severity)
    if (g) g.list.push(f)
    else out.push({ cause: f.cause, severity: f.severity, list: [f] })
  }
  return out
})

function setAside(f: Finding) {
  if (!reason.value.trim()) return
  emit('aside', f, reason.value.trim())
  asking.value = reason.value = ''
}
</script>

<template>
  <p v-if="!findings.length" class="quiet">Nothing to look out for.</p>
  <section v-for="g in groups" :key="g.cause + g.severity" class="group" :class="g.severity">
    <h3>
      <component :is="icon[g.severity]" :size="18" aria-hidden="true" />
      <span class="word">{{ g.severity }}</span> {{ g.cause }}
    </h3>
    <ul>
      <li v-for="f in g.list" :key="key(f)" :data-code="f.code" :class="{ aside: f.setAside }">
        <p>{{ f.reason }} <WhyButton v-if="f.working" :name="f.cause" :working="f.working" /></p>
        <p v-if="f.setAside" class="small">
          Set aside: {{ f.setAside }} <button type="button" class="press tight" @click="emit('back', f)">Take it up again</button>
        </p>
        <div v-else class="row">
          <button v-for="x in f.fixes ?? []" :key="x.label" type="button" class="press tight fix" @click="emit('fix', x)">
            {{ x.label }}
          </button>
          <slot name="more" :finding="f" />
          <button
            v-if="f.feature && f.feature !== 'sheet'"
            type="button"
            class="press tight bare"
            @click="emit('look', f.feature)"
          >
            Show
          </button>
          <button
            v-if="!firm && asking !== key(f)"
            type="button"
            class="press tight bare"
            @click="((asking = key(f)), (reason = ''))"
          >
            Set aside
          </button>
          <form v-else-if="!firm" class="row" @submit.prevent="setAside(f)">
            <input v-model="reason" class="box" aria-label="Why it may be set aside" placeholder="Why" maxlength="500" />
            <button type="submit" class="press tight" :disabled="!reason.trim()">Set aside</button>
          </form>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.quiet {
  padding: 10px 12px;
  color: var(--ink-soft);
}
.group {
  border-left: 4px solid var(--rule-strong);
  padding: 8px 12px;
  margin-bottom: 8px;
  background: var(--sheet);
}
.stop {
  border-color: var(--stop);
  background: var(--stop-wash);
}
.mind {
  border-color: var(--mind);
  background: var(--mind-wash);
}
h3 {
  display: flex;
  gap: 6px;
  align-items: center;
}
.word {
  text-transform: uppercase;
  letter-spacing: 0.04em;
  font-size: 0.85rem;
}
.stop .word {
  color: var(--stop);
}
.mind .word {
  color: var(--mind);
}
ul {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  display: grid;
  gap: 10px;
}
li.aside > p:first-child {
  text-decoration: line-through;
  opacity: 0.75;
}
li .row {
  margin-top: 6px;
  gap: 8px;
}
form .box {
  width: 220px;
  min-height: 36px;
}
.fix {
  border-color: var(--ember);
  color: var(--ember);
}
</style>
