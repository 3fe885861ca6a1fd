<script setup lang="ts">
// Before the first cut: the three governing dimensions measured again from
// another edge, whether the fit was tried, and what that brought up.
import { computed, ref } from 'vue'
import type { Reading } from '@/api/client'
import type { OpenSurvey } from '@/jobs/useSurvey'
import Frac from '@/kit/Frac.vue'
import PickOne from '@/kit/PickOne.vue'
import ReadingField from '@/kit/ReadingField.vue'
import { newId } from '@/api/ids'
import { mayBe } from '@/api/words'
import TextField from '@/kit/TextField.vue'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{ open: OpenSurvey; part: string }>()
const told = computed(() => props.open.worked.value?.checks.find((c) => c.part === props.part))
const index = computed(() => props.open.survey.value?.checks?.findIndex((c) => c.part === props.part) ?? -1)
const check = computed(() => props.open.survey.value?.checks?.[index.value] ?? { part: props.part })
const wide = ref(false)
const say = (more: object) => {
  const next = { ...check.value, ...more }
  const list = props.open.survey.value?.checks ?? []
  props.open.set('/checks', index.value < 0 ? [...list, next] : list.map((c, i) => (i === index.value ? next : c)))
}
const taken = (key: string) => check.value.retape?.find((r) => r.dimension === key)
const retape = (key: string, more: { value?: Reading; from?: string }) =>
  say({
    retape: [
      ...(check.value.retape ?? []).filter((r) => r.dimension !== key),
      { dimension: key, value: {}, ...taken(key), ...more },
    ],
  })
const issues = computed(() => check.value.issues ?? [])
const issue = (i: number, more: object) => say({ issues: issues.value.map((x, k) => (k === i ? { ...x, ...more } : x)) })
const ways = computed(() => mayBe('PartCheck', 'fit'))
</script>

<template>
  <div v-if="told" class="release" :class="{ held: !told.released }" :data-release="told.released">
    <div class="line">
      <p>
        <strong>{{ !told.released ? 'Files are held back.' : told.first.held ? 'One may be made.' : 'Files are free.' }}</strong>
        {{ told.says }}
        <span v-for="h in told.holds" :key="h" class="holds">{{ h }}</span>
        <span class="small" :class="{ untried: !told.tried }">Fit: {{ told.fit }}.</span>
      </p>
      <button type="button" class="press tight" :aria-expanded="wide" @click="wide = !wide">
        {{ wide ? 'Close' : told.released ? 'Look at it' : told.holds.length ? 'Look why' : 'Measure again' }}
        <span class="hidden-label"> for {{ told.name }}</span>
      </button>
    </div>
    <div v-if="wide" class="edit">
      <div class="dim edges">
        <p class="small">A tape laid to the same edge again repeats its mistake: measure from another.</p>
        <TextField
          label="The first time it was measured from"
          :model-value="check.first ?? ''"
          @update:model-value="(v) => say({ first: v || undefined })"
        />
        <TextField
          label="This time from"
          :model-value="check.from ?? ''"
          @update:model-value="(v) => say({ from: v || undefined })"
        />
      </div>
      <div v-for="g in told.governing" :key="g.key" class="dim" :class="g.verdict">
        <p>
          {{ g.name }}<br /><b class="num big"><Frac :text="g.text" /></b>
        </p>
        <ReadingField
          label="Measured again"
          :model-value="taken(g.key)?.value"
          :lengths="open.style.value"
          @update:model-value="(v) => retape(g.key, { value: v })"
        />
        <TextField
          label="if not from that edge, from"
          :model-value="taken(g.key)?.from ?? ''"
          @update:model-value="(v) => retape(g.key, { from: v })"
        />
        <p class="small says">{{ g.says }}</p>
      </div>
      <div class="dim">
        <TextField
          data-aside
          label="Or set it aside, with the reason (it is printed)"
          :model-value="check.aside ?? ''"
          @update:model-value="(v) => say({ aside: v || undefined })"
        />
        <PickOne
          label="Its fit was tried"
          :choices="ways"
          :model-value="check.fit ?? ''"
          @update:model-value="(v) => say({ fit: v || undefined })"
        />
        <TextField
          label="What came of it"
          :model-value="check.result ?? ''"
          @update:model-value="(v) => say({ result: v || undefined })"
        />
      </div>
      <div class="stack">
        <p class="label">What trying it brought up holds its files until it is settled</p>
        <CardList
          small
          :rows="issues"
          word="the issue"
          :name="(x) => `the issue ${x.text}`"
          add="Add an issue"
          :make="() => ({ id: newId(), text: '' })"
          @change="(v) => say({ issues: v })"
          v-slot="{ row: x, i }"
        >
          <div class="issue">
            <label class="tick"
              ><input
                type="checkbox"
                :checked="x.done"
                @change="issue(i, { done: ($event.target as HTMLInputElement).checked || undefined })"
              />
              settled</label
            >
            <TextField label="Issue" :model-value="x.text" @update:model-value="(v) => issue(i, { text: v })" />
          </div>
        </CardList>
      </div>
    </div>
  </div>
</template>

<style scoped>
.release {
  border-left: 4px solid var(--rule-strong);
  padding: 4px 0 4px 12px;
  display: grid;
  gap: 10px;
}
.held {
  border-color: var(--stop);
  background: var(--stop-wash);
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
}
.line :deep(.press) {
  white-space: nowrap;
  flex: none;
}
.holds {
  display: block;
  font-weight: 560;
}
.issue {
  display: grid;
  grid-template-columns: 96px minmax(180px, 1fr);
  gap: 12px;
  align-items: end;
}
.untried {
  color: var(--mind);
}
.edit {
  display: grid;
  gap: 12px;
  background: var(--paper);
  padding: 10px 12px;
}
.dim {
  display: grid;
  grid-template-columns: minmax(150px, 1fr) minmax(200px, 1.2fr) minmax(120px, 1fr) minmax(140px, 1.2fr);
  gap: 12px;
  align-items: start;
}
.big {
  font-size: 1.2rem;
}
.bad .says,
.bad .big {
  color: var(--stop);
  font-weight: 600;
}
.says {
  padding-top: 26px;
}
@media (max-width: 760px) {
  .dim {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
