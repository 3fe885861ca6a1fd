<script setup lang="ts">
// A part in two pieces, or a piece back to its whole.
import { readWhole } from '@/kit/readWhole'
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Parting, type SplitLine, type SplitLines, Refused, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import { shopOf, wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; job: string; /** It is asked at once where it can be split. */ ask?: boolean }>()
const router = useRouter()
const part = computed(() => props.bench.part.value!)
const piece = computed(() => part.value.recipe.value?.piece)
const base = computed(() => part.value.built.value!.panels[0])
const size = computed(() => {
  const xs = base.value?.flat.map((p) => p.x) ?? [0]
  const ys = base.value?.flat.map((p) => p.y) ?? [0]
  return { x: Math.max(...xs) - Math.min(...xs), y: Math.max(...ys) - Math.min(...ys) }
})
const axis = ref<'x' | 'y' | 'bend'>(size.value.y > size.value.x ? 'y' : 'x')
const bend = ref('')
const flanges = computed(() => [
  { value: '', text: 'choose a flange' },
  ...part.value.built.value!.bendLines.filter((l) => !l.id.endsWith('.slope')).map((l) => ({ value: l.id, text: l.name })),
])
const at = ref<number>()
const joint = ref<Parting['joint']>('lap')
const usual = shopOf(props.bench.style().unit !== 'mm').split
const wide = ref(usual.wide!)
const hole = ref(usual.hole!)
const pitch = ref(usual.pitch!)
const why = ref('')
const wrong = ref('')
const faults = ref<Record<string, string>>({})
const place = computed(() => at.value ?? Math.round(size.value[axis.value === 'y' ? 'y' : 'x'] / 2))

async function go(send: () => Promise<{ parts: { id: string }[] }>) {
  if (!(await readWhole())) return
  wrong.value = ''
  faults.value = {}
  try {
    await part.value.send()
    const made = await send()
    refreshJobs()
    await router.push(`/jobs/${props.job}/shape/${made.parts[0]!.id}`)
  } catch (e) {
    wrong.value = words(e)
    if (e instanceof Refused) faults.value = Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message]))
  }
}
const path = computed(() => ({ id: part.value.view.value!.id }))
const lines = ref<SplitLines>()
const looking = ref(false)
/** Asks where it can be split; the pieces of each line were built. */
async function look() {
  if (!(await readWhole())) return
  wrong.value = ''
  faults.value = {}
  looking.value = true
  try {
    await part.value.send()
    lines.value = await take(
      api.POST('/api/v1/parts/{id}/split-lines', {
        params: { path: path.value },
        body: { joint: joint.value, wide: wide.value, hole: hole.value, pitch: pitch.value },
      }),
    )
  } catch (e) {
    wrong.value = words(e)
  } finally {
    looking.value = false
  }
}
onMounted(() => props.ask && !piece.value && look())
function choose(l: SplitLine) {
  axis.value = l.parting.bend ? 'bend' : l.parting.axis!
  bend.value = l.parting.bend ?? ''
  joint.value = l.parting.joint
  at.value = l.parting.bend ? undefined : l.parting.at
  why.value = l.why
}
/** Takes a line and splits there at once. */
async function splitAt(l: SplitLine) {
  choose(l)
  await split()
}
const split = () =>
  go(async () =>
    take(
      api.POST('/api/v1/parts/{id}/split', {
        params: { path: path.value },
        body: {
          ...(axis.value === 'bend'
            ? { bend: bend.value, joint: 'lap' }
            : { axis: axis.value, at: place.value, joint: joint.value }),
          wide: wide.value,
          hole: hole.value,
          pitch: pitch.value,
          why: why.value || undefined,
        },
      }),
    ),
  )
const join = () => go(async () => take(api.POST('/api/v1/parts/{id}/join', { params: { path: path.value } })))
</script>

<template>
  <div v-if="piece" class="split">
    <p>
      It is a piece of <b>{{ piece.name }}</b>, which is put away.
    </p>
    <p v-if="piece.why" class="soft">{{ piece.why }}</p>
    <p class="small">
      Bolts between the pieces are a <RouterLink :to="`/jobs/${job}/hold`">joint on the Hold bench</RouterLink>: say there what it
      carries. A welded seam is asked there too: weld the pieces to each other.
    </p>
    <button type="button" class="press main" @click="join">Join it again</button>
    <p class="small soft">
      The whole comes back as it was, and the joints between its pieces go; what was changed on the pieces since stays with them.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
  <form v-else class="split" @submit.prevent="split">
    <div class="row">
      <button type="button" class="press" :disabled="looking" @click="look">Where it can be split</button>
      <span v-if="looking" class="soft" role="status">Pieces of some 70 lines are built …</span>
      <WhyButton v-if="lines" name="Lines" :working="lines.working" />
    </div>
    <ul v-if="lines" class="lines" role="status">
      <li v-for="l in lines.lines" :key="l.name" :data-line="l.parting.axis ?? l.parting.bend">
        <div>
          <b>{{ l.name }}</b>
          <p>{{ l.why }}</p>
          <p v-if="l.crossed.length" class="small soft">
            Bent in two pieces then, which have to meet: {{ l.crossed.join(', ') }}.
          </p>
          <p v-if="l.left.length" class="mind">Still too large: {{ l.left.join(', ') }}.</p>
        </div>
        <button type="button" class="press" :aria-label="`Take the line ${l.name}`" @click="choose(l)">Take it</button>
        <button type="button" class="press main" :aria-label="`Split at the line ${l.name}`" @click="splitAt(l)">
          Split here
        </button>
      </li>
      <li v-if="!lines.lines.length">Nowhere.</li>
      <li v-for="t in lines.not" :key="t" class="soft small">{{ t }}</li>
    </ul>
    <ChoiceRow
      v-model="axis"
      label="The line runs"
      :choices="[...wordsOf('Parting', 'axis'), { value: 'bend', text: 'at a bend' }]"
      @update:model-value="at = undefined"
    />
    <FieldGrid :min="170">
      <PickOne v-if="axis === 'bend'" v-model="bend" label="What becomes a piece of its own" :choices="flanges" />
      <ValueField
        v-else
        :label="axis === 'x' ? 'From the left of the base' : 'From the front of the base'"
        :model-value="place"
        :lengths="bench.style()"
        note="from the tangent line where that edge is bent"
        :wrong="faults['/at']"
        @update:model-value="(v) => (at = v)"
      />
      <ValueField
        v-if="joint !== 'tabs' || axis === 'bend'"
        :label="joint === 'lap' || axis === 'bend' ? 'Lap' : 'Strip to each side'"
        :model-value="wide"
        :lengths="bench.style()"
        @update:model-value="(v) => (wide = v)"
      />
      <ValueField
        v-if="joint !== 'tabs'"
        label="Bolts, hole"
        :model-value="hole"
        :lengths="bench.style()"
        @update:model-value="(v) => (hole = v)"
      />
      <ValueField
        :label="joint === 'tabs' ? 'Tabs about every' : 'Bolts about every'"
        :model-value="pitch"
        :lengths="bench.style()"
        @update:model-value="(v) => (pitch = v)"
      />
    </FieldGrid>
    <TextField v-model="why" label="Why it is split, and why there" :maxlength="300" />
    <ChoiceRow v-if="axis !== 'bend'" v-model="joint" label="Joined by" :choices="wordsOf('Parting', 'joint')" />
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="submit" class="press main">Split the part</button>
    <p class="small soft">
      Pieces are measured flat. The whole is put away and comes back by one press. A bolted seam becomes a joint on the Hold
      bench, which cannot say whether it holds until its load is said; of a welded one, weld the pieces to each other there.
    </p>
  </form>
</template>

<style scoped>
.split {
  display: grid;
  gap: 12px;
  max-width: 640px;
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
}
.lines {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 10px;
}
.lines li {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  align-items: start;
}
.lines .press {
  flex: none;
}
.lines p {
  margin: 2px 0 0;
}
.split > .press {
  justify-self: start;
}
</style>
