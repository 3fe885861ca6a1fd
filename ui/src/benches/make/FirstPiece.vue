<script setup lang="ts">
// The first piece of a batch: its sizes against the drawing, and what they say of K. The
// others wait for it.
import { computed, ref } from 'vue'
import { type FirstOff, type Learned, type Reading, words } from '@/api/client'
import { alter } from '@/documents/alter'
import type { OpenSurvey } from '@/jobs/useSurvey'
import DateField from '@/kit/DateField.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import Frac from '@/kit/Frac.vue'
import ReadingField from '@/kit/ReadingField.vue'
import SurePress from '@/kit/SurePress.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'

const props = defineProps<{ open: OpenSurvey; part: string }>()
const told = computed(() => props.open.worked.value?.checks.find((c) => c.part === props.part))
const first = computed(() => told.value?.first)
const index = computed(() => props.open.survey.value?.checks?.findIndex((c) => c.part === props.part) ?? -1)
const made = computed<FirstOff>(() => props.open.survey.value?.checks?.[index.value]?.firstOff ?? {})
const fault = (tail: string) => props.open.faults.value[`/checks/${index.value}/firstOff${tail}`]
const wide = ref(false)
const today = () => new Date().toLocaleDateString('sv') // year-month-day

function put(firstOff: FirstOff | undefined) {
  const list = props.open.survey.value?.checks ?? []
  const next = { ...(list[index.value] ?? { part: props.part }), firstOff }
  props.open.set('/checks', index.value < 0 ? [...list, next] : list.map((c, i) => (i === index.value ? next : c)))
}
/** What is there is of an earlier drawing; once something is typed it is of this one, before the server says so. */
const old = () => first.value!.state === 'stale' && made.value.of !== first.value!.of
/** What is said first says of which drawing, and on which day. */
const say = (more: FirstOff) => {
  const m = made.value
  // Of an earlier drawing only what is allowed goes on: what is typed now is of another piece.
  const was: FirstOff = old() ? { allow: m.allow, angles: m.angles } : m
  put({ ...was, of: was.of ?? first.value!.of, date: was.date ?? today(), ...more })
}
const at = (key: string) => made.value.sizes?.findIndex((s) => s.size === key) ?? -1
function read(key: string, angle: boolean, value: Reading) {
  const size = { size: key, ...(angle ? { angle } : {}), value }
  const list = old() ? [] : (made.value.sizes ?? [])
  say({ sizes: list.some((s) => s.size === key) ? list.map((s) => (s.size === key ? size : s)) : [...list, size] })
}
const wrong = (key: string) => (i: number) => fault(`/sizes/${at(key)}/value/values/${i}`)

const said = ref('')
/** Puts down for every job what the piece says; the same one is put down once. */
async function keep(l: Learned) {
  said.value = ''
  try {
    if (props.open.state.value !== 'saved') await props.open.send()
    await alter('shop', 'shop', (w) => ({ ...w, strips: [...(w.strips ?? []).filter((s) => s.id !== l.strip.id), l.strip] }))
    said.value = 'It is a test strip of the Shop now: parts that take K from the Shop’s strips have it.'
  } catch (e) {
    said.value = words(e)
  }
}
</script>

<template>
  <div v-if="first && first.state !== 'single'" class="first" :class="{ held: first.held }" :data-first="first.state">
    <div class="line">
      <p>
        <strong>First of {{ first.batch }}.</strong> {{ first.says }}
      </p>
      <button type="button" class="press tight" :aria-expanded="wide" @click="wide = !wide">
        {{ wide ? 'Close' : first.held ? 'Measure the first piece' : 'Look at the first piece' }}
        <span class="hidden-label"> of {{ told!.name }}</span>
      </button>
    </div>
    <div v-if="wide" class="edit">
      <p v-if="first.state === 'stale'" class="row">
        <SurePress
          text="Begin with another first piece"
          :name="` of ${told!.name}`"
          ask="What was measured of the last one is taken off. Begin with another?"
          @sure="put(undefined)"
        />
      </p>
      <p class="small soft">
        Cut and bend one with the files of the first piece. Off by {{ first.allow }} is taken as good. Where several are alike,
        read each: the one that is farthest off counts.
      </p>
      <div v-for="s in first.sizes" :key="s.key" class="dim" :class="s.verdict" :data-size="s.key">
        <p>
          {{ s.name }}<br /><b class="num big"><Frac :text="s.text" /></b>
        </p>
        <ReadingField
          :label="`Read, ${s.name}`"
          hide-label
          :kind="s.angle ? 'angle' : undefined"
          :model-value="made.sizes?.[at(s.key)]?.value"
          :lengths="open.style.value"
          :wrong="wrong(s.key)"
          @update:model-value="(v) => read(s.key, s.angle, v)"
        />
        <p class="small says">{{ s.says }}</p>
      </div>
      <FieldGrid :min="150" low>
        <DateField
          label="Measured on"
          :model-value="made.date ?? ''"
          @update:model-value="(v) => say({ date: v || undefined })"
        />
        <TextField
          label="By"
          :model-value="made.by ?? ''"
          :wrong="fault('/by')"
          @update:model-value="(v) => say({ by: v || undefined })"
        />
        <ValueField
          label="Lengths may be off by"
          :model-value="made.allow ?? null"
          :lengths="open.style.value"
          :wrong="fault('/allow')"
          @update:model-value="(v) => say({ allow: v || undefined })"
        />
        <ValueField
          label="Angles by"
          kind="angle"
          :model-value="made.angles ?? null"
          :lengths="open.style.value"
          :wrong="fault('/angles')"
          @update:model-value="(v) => say({ angles: v || undefined })"
        />
      </FieldGrid>
      <TextField
        label="Or let the batch go as it is, with the reason (it is printed)"
        :model-value="made.aside ?? ''"
        :wrong="fault('/aside')"
        @update:model-value="(v) => say({ aside: v || undefined })"
      />
      <div v-for="l in first.learns" :key="l.strip.id" class="learn">
        <p v-if="l.why" class="mind">{{ l.why }}</p>
        <template v-else>
          <p>
            {{ l.says
            }}<WhyButton v-if="l.working" :name="`K of the first piece of ${told!.name}`" :working="async () => l.working!" />
          </p>
          <button type="button" class="press" @click="keep(l)">Keep it as a test strip in the Shop</button>
        </template>
      </div>
      <p v-if="said" role="status">{{ said }}</p>
    </div>
  </div>
</template>

<style scoped>
.first {
  border-left: 4px solid var(--rule-strong);
  padding: 4px 0 4px 12px;
  display: grid;
  gap: 10px;
}
.held {
  border-color: var(--mind);
  background: var(--mind-wash);
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
.edit {
  display: grid;
  gap: 12px;
  background: var(--paper);
  padding: 10px 12px;
}
.dim {
  display: grid;
  grid-template-columns: minmax(180px, 1.2fr) minmax(220px, 1.4fr) minmax(140px, 1fr);
  gap: 12px;
  align-items: center;
}
.big {
  font-size: 1.2rem;
}
.bad .says,
.bad .big {
  color: var(--stop);
  font-weight: 600;
}
.learn {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
@media (max-width: 760px) {
  .dim {
    grid-template-columns: 1fr;
  }
}
</style>
