<script setup lang="ts">
// How something is welded: tacks, the order of its runs played and changed by hand, what it takes.
import { ArrowDown, ArrowUp, ChevronLeft, ChevronRight, Pause, Play } from '@lucide/vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { api, take, type WeldBook, words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { newId } from '@/api/ids'
import { queryClient } from '@/api/queries'
import { alter } from '@/documents/alter'
import { paperOf } from '@/jobs/paper'
import type { OpenBrief } from '@/jobs/useBrief'
import FlagList from '@/kit/FlagList.vue'
import IconPress from '@/kit/IconPress.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from '@/quick/Shown.vue'
import SeamCarries from './SeamCarries.vue'
import SeamDrawing from './SeamDrawing.vue'
import WeldSizes from './WeldSizes.vue'
import WeldTicks from './WeldTicks.vue'

const props = defineProps<{ open: OpenBrief; of: string; job: string; titled?: boolean }>()
const revision = computed(() => props.open.page.value?.job.revision)
const { data: plan, error } = useQuery({
  queryKey: ['holding', 'weld-plan', () => props.job, () => props.of, revision],
  queryFn: () => take(api.GET('/api/v1/jobs/{id}/weld-plan', { params: { path: { id: props.job }, query: { of: props.of } } })),
  placeholderData: (before) => before,
})
const order = computed(() => plan.value?.order?.hand ?? plan.value?.order?.best)
const at = ref(0)
const now = computed(() => Math.min(at.value, order.value?.runs.length ?? 0))
const run = computed(() => order.value?.runs[now.value - 1])
watch(
  () => props.of,
  () => (at.value = 0),
)
let ticking: ReturnType<typeof setInterval> | undefined
const playing = ref(false)
function pause() {
  playing.value = false
  clearInterval(ticking)
}
onScopeDispose(pause)
function play() {
  if (playing.value) return pause()
  if (now.value >= (order.value?.runs.length ?? 0)) at.value = 0
  playing.value = true
  ticking = setInterval(() => (now.value < (order.value?.runs.length ?? 0) ? (at.value = now.value + 1) : pause()), 500)
}
/** Seams with what of them is laid by now. */
const drawn = computed(() => ({
  name: plan.value?.name ?? '',
  sketch: (plan.value?.sketch ?? []) as number[][][],
  seams: (plan.value?.seams ?? []).map((s) => ({
    id: s.id,
    name: String(s.number),
    path: s.path as number[][],
    long: s.long,
    runs: (order.value?.runs ?? [])
      .slice(0, now.value)
      .filter((r) => r.seam === s.id)
      .map((r) => [r.from, r.to] as number[][]),
  })),
}))
const books = computed(() => props.open.brief.value?.books ?? [])
const book = computed<WeldBook>(() => books.value.find((b) => b.of === props.of) ?? { id: '', of: props.of })
function write(change: Partial<WeldBook>) {
  const next = { ...book.value, ...change, id: book.value.id || newId() }
  const list = books.value.filter((b) => b.of !== props.of)
  props.open.set('/books', [...list, next])
}
const bookAt = computed(() => books.value.findIndex((b) => b.of === props.of))
const sizeFault = (size: string, when: string) =>
  props.open.fault(`/books/${bookAt.value}/sizes/${(book.value.sizes ?? []).findIndex((z) => z.id === size)}/${when}`)
const fault = (seam: string, size: string) =>
  props.open.fault(`/books/${bookAt.value}/seen/${(book.value.seen ?? []).findIndex((s) => s.id === seam)}/${size}`)
/** Puts a run earlier or later by hand. */
function move(i: number, to: number) {
  const list = order.value!.runs.map((r) => r.id)
  const [id] = list.splice(i, 1)
  list.splice(to, 0, id!)
  write({ order: list })
}
/** A run that is pulled to another place in the list. */
const dragged = ref(-1)
const over = ref(-1)
function drop(to: number) {
  const from = dragged.value
  dragged.value = over.value = -1
  if (from >= 0 && from !== to) move(from, to)
}
const wrong = ref('')
async function print() {
  wrong.value = ''
  try {
    await props.open.send()
    const paper = paperOf(props.open.style.value.unit !== 'mm')
    await fetchFile(`/api/v1/jobs/${props.job}/weld-map?of=${encodeURIComponent(props.of)}&paper=${paper}`)
  } catch (e) {
    wrong.value = words(e)
  }
}
const share = computed(() => plan.value?.bowed)
/** Puts the bow into the Shop's own, or takes it out of them. */
async function learn() {
  const p = plan.value!
  const id = `bow-${props.of}`
  const bow = { id, name: p.name.slice(0, 80), guessed: share.value!.guessed, measured: share.value!.measured }
  try {
    await alter('shop', 'shop', (w) => ({
      ...w,
      bows: [...(w.bows ?? []).filter((b) => b.id !== id), ...(share.value!.kept ? [] : [bow])],
    }))
    await queryClient.invalidateQueries({ queryKey: ['holding'] })
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <section class="stack" data-weld-order>
    <header class="row">
      <h2>{{ titled ? plan?.name : 'How it is welded' }}</h2>
      <button v-if="plan?.order" type="button" class="press tight" @click="print">Weld map</button>
    </header>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
    <p v-if="plan?.why" class="why">{{ plan.why }}</p>
    <p v-if="!plan && !error" class="soft">Putting its runs in order.</p>
    <template v-if="plan?.order && order">
      <p data-gain>
        {{ plan.gain }} <WhyButton name="Order of runs" :working="plan.order.working" />
        <template v-if="plan.order.hand">
          This is the order by hand; the one found is bowed
          <Shown :value="plan.order.best.peak" kind="length" :lengths="open.style.value" /> at most, with
          {{ plan.order.best.turns }}
          turns.
          <button type="button" class="press tight" @click="write({ order: undefined })">Take the order found</button>
        </template>
      </p>
      <div class="two">
        <div class="stack">
          <SeamDrawing :told="drawn" :lengths="open.style.value" bare />
          <div class="row" role="group" aria-label="Runs one by one">
            <IconPress :icon="ChevronLeft" name="One run back" :disabled="now === 0" @click="at = now - 1" />
            <IconPress :icon="playing ? Pause : Play" :name="playing ? 'Stop' : 'Play the runs'" @click="play" />
            <IconPress :icon="ChevronRight" name="One run on" :disabled="now >= order.runs.length" @click="at = now + 1" />
            <span class="num" data-run>{{ now }} of {{ order.runs.length }}</span>
          </div>
          <p v-if="run" data-laid>
            <b>{{ run.name }}</b><template v-if="run.turn">; turn the work first</template
            ><template v-if="run.hot">; let what is beside it cool first</template>. Bowed
            <Shown :value="run.bow" kind="length" :lengths="open.style.value" /> then.
          </p>
        </div>
        <div class="stack">
          <ul class="keep">
            <li v-for="d in plan.does" :key="d">
              {{ d }}
              <WhyButton v-if="d === plan.draw?.says && plan.draw.working" name="Draw" :working="plan.draw.working" />
              <template v-if="d === plan.back?.says">
                <WhyButton name="Strong-back" :working="plan.back!.working!" />
                <button type="button" class="press tight" @click="write({ back: !book.back || undefined })">
                  {{ book.back ? 'Take it off the parts list' : 'Put it on the parts list' }}
                </button>
              </template>
            </li>
          </ul>
          <p><b>It takes</b> {{ plan.takes.join(', ') }}.</p>
          <FlagList v-if="plan.findings.length" :findings="plan.findings" firm />
        </div>
      </div>
      <WeldSizes :plan="plan" :book="book" :lengths="open.style.value" :fault="sizeFault" @write="write" />
      <details>
        <summary>Its {{ order.runs.length }} runs, to be changed by hand</summary>
        <ol class="runs" data-runs>
          <li
            v-for="(r, i) in order.runs"
            :key="r.id"
            :class="{ on: i === now - 1, over: dragged >= 0 && over === i }"
            draggable="true"
            @dragstart="dragged = i"
            @dragover.prevent="over = i"
            @dragend="dragged = over = -1"
            @drop.prevent="drop(i)"
          >
            <span class="num">{{ i + 1 }}</span>
            <button type="button" class="bare" @click="at = i + 1">{{ r.name }}</button>
            <span class="small soft"
              >{{ [r.turn ? 'turn' : '', r.hot ? 'cool' : ''].filter(Boolean).join(', ') }}
              <Shown :value="r.bow" kind="length" :lengths="open.style.value"
            /></span>
            <IconPress slim :icon="ArrowUp" :name="`${r.name} earlier`" :disabled="i === 0" @click="move(i, i - 1)" />
            <IconPress
              slim
              :icon="ArrowDown"
              :name="`${r.name} later`"
              :disabled="i === order.runs.length - 1"
              @click="move(i, i + 1)"
            />
          </li>
        </ol>
      </details>
      <SeamCarries v-if="plan.seams.some((s) => s.carries)" :seams="plan.seams" :lengths="open.style.value" />
      <WeldTicks :plan="plan" :book="book" :lengths="open.style.value" :fault="fault" @write="(seen) => write({ seen })" />
      <div class="row after">
        <ValueField
          label="Bowed in its middle, as measured after"
          :model-value="book.bowed ?? null"
          :lengths="open.style.value"
          :wrong="open.fault(`/books/${bookAt}/bowed`)"
          note="of the whole, across its length"
          @update:model-value="(v) => write({ bowed: v ?? undefined })"
        />
        <TextField
          label="Why, and what was done"
          :model-value="book.cause ?? ''"
          @update:model-value="(v) => write({ cause: v || undefined })"
        />
        <p v-if="share" data-learnt>
          {{ share.share.toFixed(2) }} times the estimate of
          <Shown :value="share.guessed" kind="length" :lengths="open.style.value" />.
          <button type="button" class="press tight" @click="learn">
            {{ share.kept ? 'Take it out of the Shop again' : 'Let the Shop learn from it' }}
          </button>
        </p>
      </div>
    </template>
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
}

.two > .stack {
  align-content: start;
}
.keep {
  margin: 0;
  padding-left: 18px;
}
summary {
  min-height: 36px;
  cursor: pointer;
}
.runs {
  margin: 0;
  padding: 0;
  max-height: 360px;
  overflow-y: auto;
}
.runs li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) auto auto auto;
  gap: 8px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  max-width: 760px;
}
.runs li[draggable] {
  cursor: grab;
}
.over {
  box-shadow: inset 0 3px 0 var(--pick);
}
.on {
  background: var(--sheet);
}
.bare {
  border: 0;
  background: none;
  min-height: 40px;
  text-align: left;
  cursor: pointer;
  color: inherit;
}
.after {
  align-items: start;
  flex-wrap: wrap;
}
.why {
  font-size: 1.05rem;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
