<script setup lang="ts">
// The bends one by one, as whoever stands at the brake sees them. Right and left arrow bend
// and open the sheet; up and down go from step to step.
import { ChevronLeft, ChevronRight, Pause, Play } from '@lucide/vue'
import { computed, onMounted, onScopeDispose, ref, watch } from 'vue'
import type { Bending } from '@/api/client'
import { useAmounts } from '@/kit/amounts'
import Frac from '@/kit/Frac.vue'
import IconPress from '@/kit/IconPress.vue'
import BendingPicture from './BendingPicture.vue'

const props = defineProps<{ bending: Bending; thickness: number; inches: boolean }>()
const box = ref<HTMLElement>()
onMounted(() => box.value?.focus({ preventScroll: true }))
const step = defineModel<number>('step', { default: 0 })
const at = ref(0)
const now = computed(() => props.bending.steps[Math.min(step.value, props.bending.steps.length - 1)]!)
const last = computed(() => now.value.scene.moves.length - 1)
const turn = computed(() => now.value.scene.moves[Math.min(at.value, last.value)]!.turn)
const { force, mass } = useAmounts(() => props.inches)
watch(
  () => props.bending,
  () => {
    step.value = Math.min(step.value, props.bending.steps.length - 1)
    at.value = Math.min(at.value, last.value)
  },
)

function to(k: number, where = 0) {
  step.value = Math.max(0, Math.min(k, props.bending.steps.length - 1))
  at.value = Math.min(where, last.value)
}
/** One moment on, into the next step at the end. */
function on(): boolean {
  if (at.value < last.value) at.value++
  else if (step.value < props.bending.steps.length - 1) to(step.value + 1)
  else return false
  return true
}
function back() {
  if (at.value > 0) at.value--
  else if (step.value > 0) to(step.value - 1, Infinity)
}
let ticking: ReturnType<typeof setInterval> | undefined
const playing = ref(false)
function play() {
  if (playing.value) return pause()
  if (at.value === last.value && step.value === props.bending.steps.length - 1) to(0)
  playing.value = true
  ticking = setInterval(() => on() || pause(), 60)
}
function pause() {
  playing.value = false
  clearInterval(ticking)
}
onScopeDispose(pause)
const keys: Record<string, () => void> = {
  ArrowRight: on,
  ArrowLeft: back,
  ArrowDown: () => to(step.value + 1),
  ArrowUp: () => to(step.value - 1),
  Home: () => to(0),
  End: () => to(props.bending.steps.length - 1, Infinity),
  ' ': play,
}
function key(e: KeyboardEvent) {
  const done = keys[e.key]
  if (!done || e.ctrlKey || e.metaKey || e.altKey) return
  e.preventDefault()
  e.stopPropagation()
  if (e.key !== ' ') pause()
  done()
}
const handling = computed(() => {
  const s = now.value
  const list = [s.sideUp === 'good' ? 'Good side up' : 'Back up']
  if (s.turned) list.push('turned over')
  if (s.round) list.push(`turned round ${+s.round.toFixed(1)}°`)
  return list.join(', ')
})
/** Lengths of which a tool is put together, equal ones counted. */
const pieces = computed(() => {
  const list = now.value.upper.setup.pieces ?? []
  const mm = (v: number) => (props.inches ? `${+(v / 25.4).toFixed(3)}"` : `${+v.toFixed(1)}`)
  return [...new Set(list)].map((v) => {
    const n = list.filter((x) => x === v).length
    return n > 1 ? `${n} × ${mm(v)}` : mm(v)
  })
})
</script>

<template>
  <section
    ref="box"
    class="play"
    tabindex="0"
    role="group"
    aria-label="The bends, one by one: arrow right bends, arrow left opens, up and down change the step"
    @keydown="key"
  >
    <div class="pictures">
      <BendingPicture :bending="bending" :step="now" :at="Math.min(at, last)" :thickness="thickness" view="standing" />
      <BendingPicture :bending="bending" :step="now" :at="Math.min(at, last)" :thickness="thickness" view="along" />
    </div>
    <div class="row bar">
      <IconPress :icon="ChevronLeft" name="Step before" @click="to(step - 1)" />
      <IconPress :icon="playing ? Pause : Play" :name="playing ? 'Pause' : 'Play'" @click="play" />
      <IconPress :icon="ChevronRight" name="Next step" @click="to(step + 1)" />
      <input
        type="range"
        min="0"
        :max="last"
        :value="Math.min(at, last)"
        aria-label="How far it is bent"
        @input="at = +($event.target as HTMLInputElement).value"
      />
      <b class="num turn">{{ turn.toFixed(0) }}°</b>
    </div>
    <div class="told" aria-live="polite">
      <h3>
        <span class="num">{{ now.order }}</span> of {{ bending.steps.length }} · {{ now.name }}
      </h3>
      <dl>
        <div class="big">
          <dt>Stop</dt>
          <dd>
            <Frac v-if="now.stop" :text="now.stop.text" :lies="now.stop.lies" :off="now.stop.off" /><template v-else>–</template>
            <small>{{ now.stopAt }}</small>
          </dd>
        </div>
        <div class="big">
          <dt>Bend to</dt>
          <dd>
            <template v-if="now.aim !== null">{{ now.aim.toFixed(1) }}°</template><template v-else>by eye</template>
            <small
              >springs back to {{ +now.angle.toFixed(2) }}°, opens to {{ +now.opens.toFixed(2) }}°<template v-if="now.half"
                >; {{ +now.half.toFixed(2) }}° on a half scale</template
              ></small
            >
          </dd>
        </div>
        <div>
          <dt>Sheet</dt>
          <dd>{{ handling }}</dd>
        </div>
        <div>
          <dt>{{ bending.kind === 'press' ? 'Punch' : bending.kind === 'leaf' ? 'Fingers' : 'Bars' }}</dt>
          <dd>
            {{ now.upper.name }},
            <Frac :text="now.upper.long.text" :lies="now.upper.long.lies" :off="now.upper.long.off" /><template
              v-if="pieces.length"
            >
              = {{ pieces.join(' + ') }}</template
            ><template v-if="now.upper.at">, the bend {{ now.upper.at }}</template>
          </dd>
        </div>
        <div v-if="now.die">
          <dt>Die</dt>
          <dd>
            {{ now.die.name }}, <Frac :text="now.die.long.text" :lies="now.die.long.lies" :off="now.die.long.off" /><template
              v-if="now.force !== null"
              >; {{ force(now.force) }}</template
            >
          </dd>
        </div>
        <div>
          <dt>Held</dt>
          <dd>
            {{ mass(now.held) }}, <Frac :text="now.overhang.text" :lies="now.overhang.lies" :off="now.overhang.off" /> hangs out<b
              v-if="now.second"
              >; a second person: {{ now.second }}</b
            >
          </dd>
        </div>
        <div>
          <dt>In and out</dt>
          <dd>{{ now.in === now.out ? now.in : `in ${now.in}, out ${now.out}` }}</dd>
        </div>
        <div v-if="now.note">
          <dt>Then</dt>
          <dd>{{ now.note }}</dd>
        </div>
      </dl>
    </div>
  </section>
</template>

<style scoped>
.play {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(260px, 360px);
  grid-template-rows: auto auto;
  gap: 8px 16px;
}
.pictures {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 8px;
  height: clamp(260px, calc(100dvh - 260px), 620px);
}
.bar {
  grid-column: 1;
  gap: 8px;
  align-items: center;
}
.bar input {
  flex: 1;
  min-width: 80px;
  accent-color: var(--ember);
  min-height: 32px;
}
.turn {
  min-width: 4ch;
  text-align: right;
  font-size: 1.2rem;
}

.play:focus-visible {
  outline-width: 2px;
  outline-offset: 6px;
}
.told {
  grid-column: 2;
  grid-row: 1 / span 2;
}
dl {
  margin: 6px 0 0;
  display: grid;
  gap: 6px;
}
dl > div {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 8px;
}
dt {
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.big dd {
  font-size: 1.5rem;
  font-weight: 640;
  line-height: 1.15;
}
small {
  display: block;
  font-size: 0.875rem;
  font-weight: 400;
}
@media (max-width: 1000px) {
  .play {
    grid-template-columns: 1fr;
  }
  .told {
    grid-column: 1;
    grid-row: auto;
  }
}
@media (max-width: 620px) {
  .pictures {
    grid-template-columns: 1fr;
    height: 420px;
  }
}
</style>
