<script setup lang="ts">
// The whole job as it stands on the vehicle: turned by hand or keys, anything on it tapped to
// go there. Drawn on demand and without graphics hardware; saved as SVG for print.
import { computed, markRaw, onMounted, onUnmounted, ref, toRaw, watch } from 'vue'
import { Download } from '@lucide/vue'
import type { Whole } from '@/api/client'
import { keepFile } from '@/api/file'
import { useDevice } from '@/device'
import { useAmounts } from '@/kit/amounts'
import { percent } from '@/kit/percent'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import IconPress from '@/kit/IconPress.vue'
import { arrowsOf } from './forces'
import { paintOf, type Show } from './ink'
import { type Label, placed, type Wanted } from './labels'
import { dot, type V3 } from './order'
import { drawFaces } from './pen'
import { sides, useEye } from './useEye'
import { axesOf, boundsOf, type Face, ready, seen, type State, within } from './whole'

export type Picked = {
  kind: 'part' | 'frame' | 'body' | 'device' | 'box' | 'space' | 'point' | 'joint'
  id: string
  of: string
  name: string
}
const props = defineProps<{
  whole: Whole
  show: Show
  /** Index of the case whose forces are drawn. */ at?: number
}>()
// A large answer, only ever replaced: nothing in it is watched.
const job = computed(() => markRaw(toRaw(props.whole)))
const emit = defineEmits<{ pick: [what: Picked] }>()
const { force } = useAmounts()
const device = useDevice()
const host = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const size = ref({ w: 0, h: 0 })
const { eye, zoom, pan, nearer, look, hand } = useEye(
  (x, y) => {
    const what = under(x, y)
    if (what) emit('pick', what)
  },
  (x, y) => (over.value = under(x, y)),
)
const state = ref<State>('travelling')
const all = ref(true)
const over = ref<Picked>()

const states = [
  { value: 'stowed' as const, text: 'stowed' },
  { value: 'inUse' as const, text: 'in use' },
  { value: 'travelling' as const, text: 'travelling' },
]
const moves = computed(() => job.value.things.some((t) => t.shapes.some((s) => s.states?.length)))
const made = computed(() => job.value.things.filter((t) => t.kind !== 'space'))
const tree = computed(() => ready(job.value.things, state.value))
const paints = computed(() => job.value.things.map((t) => paintOf(t, props.show)))

/** px of a place on the vehicle. */
const frame = computed(() => {
  const box = boundsOf(all.value || !made.value.length ? job.value.things : made.value, state.value, eye.value)
  const { w, h } = size.value
  if (!box || !w) return undefined
  const s = Math.min((w - 150) / Math.max(box.x1 - box.x0, 1), (h - 90) / Math.max(box.y1 - box.y0, 1)) * zoom.value
  const [cx, cy] = [(box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2]
  return {
    s,
    put: (x: number, y: number): [number, number] => [w / 2 + pan.value.x + (x - cx) * s, h / 2 + pan.value.y - (y - cy) * s],
  }
})
const spot = (v: readonly number[]): [number, number] => {
  const { right, up } = axesOf(eye.value)
  return frame.value!.put(dot(v as V3, right), dot(v as V3, up))
}
let faces: Face[] = []

const joints = computed(() =>
  frame.value
    ? arrowsOf(job.value.joints, props.at ?? job.value.worst, eye.value, spot).map((a) => ({
        ...a,
        drawn: a.drawn && props.show === 'hold',
      }))
    : [],
)
const points = computed(() => (frame.value && props.show === 'room' ? job.value.points.map((p) => ({ p, at: spot(p.at) })) : []))
/** Where a thing's name goes: the middle of what is seen of it. */
const labels = computed<Label[]>(() => {
  if (!frame.value) return []
  const wanted: Wanted[] = []
  if (props.show === 'hold')
    for (const [i, j] of joints.value.entries())
      if (j.drawn)
        wanted.push({
          id: `joint ${i}`,
          x: j.to.x,
          y: j.to.y,
          text: j.list.length > 1 ? `${force(j.long)} on ${j.list.length}` : force(j.long),
          clear: 6,
          first: true,
        })
  for (const t of job.value.things) {
    const box = boundsOf([t], state.value, eye.value)
    if (!box || (props.show !== 'room' && t.kind === 'space')) continue
    const [x0, y0] = frame.value.put(box.x0, box.y1)
    const [x1, y1] = frame.value.put(box.x1, box.y0)
    const use = props.show === 'hold' && t.use != null ? ` ${percent(t.use)} %` : ''
    wanted.push({
      id: `thing ${t.id}`,
      x: (x0 + x1) / 2,
      y: (y0 + y1) / 2,
      text: t.name + use,
      clear: Math.min(Math.max((y1 - y0) / 2 + 4, 8), 60),
      first: t.kind !== 'space',
    })
  }
  for (const { p, at } of points.value) if (!p.map) wanted.push({ id: `point ${p.id}`, x: at[0], y: at[1], text: p.name })
  return placed(wanted, size.value.w, size.value.h, 13, [{ x0: 0, y0: size.value.h - 60, x1: 96, y1: size.value.h }])
})

const took = ref(0)
let asked = 0
function draw() {
  asked = 0
  const began = performance.now()
  const c = canvas.value
  if (!c || !frame.value) return
  faces = seen(tree.value, eye.value, (i) => paints.value[i]!.glass).map((f) => ({
    ...f,
    at: f.at.map(([x, y]) => frame.value!.put(x, y)),
    lines: f.lines.map((l) => l.map(([x, y]) => frame.value!.put(x, y))),
  }))
  drawFaces(c, size.value, faces, paints.value)
  took.value = Math.max(1, Math.round(performance.now() - began))
}
const drawSoon = () => (asked ||= requestAnimationFrame(draw))
watch([job, () => props.show, () => props.at, eye, zoom, pan, state, all, size], drawSoon)
watch(
  () => device.theme,
  () => requestAnimationFrame(drawSoon),
)
let watcher: ResizeObserver | undefined
onMounted(() => {
  watcher = new ResizeObserver(() => (size.value = { w: host.value?.clientWidth ?? 0, h: host.value?.clientHeight ?? 0 }))
  watcher.observe(host.value!)
})
onUnmounted(() => {
  watcher?.disconnect()
  cancelAnimationFrame(asked)
})

function under(x: number, y: number): Picked | undefined {
  const j = joints.value.find((s) => Math.hypot(s.x - x, s.y - y) < 11)
  if (j) return { kind: 'joint', id: j.list[0]!.id, of: '', name: j.list.map((l) => l.name).join('; ') }
  const p = points.value.find((s) => Math.hypot(s.at[0] - x, s.at[1] - y) < 10)
  if (p) return { kind: 'point', id: p.p.id, of: p.p.map ?? '', name: p.p.name }
  let glass: Face | undefined
  for (let i = faces.length - 1; i >= 0; i--) {
    const f = faces[i]!
    if (!within(f, x, y)) continue
    if (!paints.value[f.thing]!.glass) return of(f.thing)
    glass ??= f // what stands behind glass is meant before the glass
  }
  return glass && of(glass.thing)
}
function of(i: number): Picked {
  const t = job.value.things[i]!
  return { kind: t.kind, id: t.id, of: t.of ?? '', name: t.name }
}
const wordsOf = (p: Picked) => {
  const i = job.value.things.findIndex((t) => t.id === p.id)
  if (i < 0) return p.name
  const t = job.value.things[i]!
  const use = props.show === 'hold' && t.use != null ? `${percent(t.use)} %` : ''
  return [t.name, paints.value[i]!.word, use, t.says].filter(Boolean).join(', ')
}

async function save() {
  const { drawing } = await import('./print')
  const text = drawing({
    size: size.value,
    faces,
    paints: paints.value,
    labels: labels.value,
    joints: joints.value,
    points: points.value.map((p) => p.at),
  })
  keepFile(new Blob([text], { type: 'image/svg+xml' }), 'the-whole-job.svg')
}
function pickLabel(l: Label) {
  const [kind, id] = [l.id.split(' ')[0], l.id.slice(l.id.indexOf(' ') + 1)]
  if (kind === 'joint') emit('pick', { kind: 'joint', id: joints.value[Number(id)]!.list[0]!.id, of: '', name: '' })
  else if (kind === 'point') emit('pick', { kind: 'point', id, of: '', name: l.text })
  else emit('pick', of(job.value.things.findIndex((t) => t.id === id)))
}
</script>

<template>
  <div class="whole">
    <div class="row bar">
      <ChoiceRow v-if="moves" v-model="state" label="The vehicle is" :choices="states" />
      <ChoiceRow
        v-if="made.length && made.length < job.things.length"
        v-model="all"
        label="Show"
        :choices="[
          { value: true, text: 'everything' },
          { value: false, text: 'round what is made' },
        ]"
      />
    </div>
    <div class="frame" :data-took="took || undefined" :data-faces="took ? job.things.length : undefined">
      <div
        ref="host"
        class="host"
        tabindex="0"
        role="application"
        aria-label="The whole job. Arrow keys turn it, plus and minus bring it nearer and farther; the list below goes to each thing."
        v-on="hand"
        @pointerleave="over = undefined"
        @wheel.prevent="(e) => nearer(e.deltaY < 0 ? 1.12 : 1 / 1.12)"
      >
        <canvas ref="canvas" :width="1" :height="1"></canvas>
        <svg v-if="size.w" :viewBox="`0 0 ${size.w} ${size.h}`" class="over" aria-hidden="true">
          <defs>
            <marker id="whole-tip" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="5" markerHeight="5" orient="auto">
              <path d="M0 0L8 4L0 8z" class="tip" />
            </marker>
          </defs>
          <path v-for="x in points" :key="x.p.id" :d="`M${x.at[0] - 4} ${x.at[1]}h8M${x.at[0]} ${x.at[1] - 4}v8`" class="cross" />
          <g v-for="(j, i) in joints" :key="i" :class="(j.list[0]!.verdict ?? '').replace(' ', '-')">
            <path v-if="j.drawn" :d="`M${j.x} ${j.y}L${j.to.x} ${j.to.y}`" class="force" marker-end="url(#whole-tip)" />
            <rect :x="j.x - 5" :y="j.y - 5" width="10" height="10" class="joint" />
          </g>
          <text
            v-for="l in labels"
            :key="l.id"
            :x="l.lx"
            :y="l.ly"
            :text-anchor="l.anchor"
            class="name"
            :class="l.id.split(' ')[0]"
            @pointerdown.stop
            @pointerup.stop="pickLabel(l)"
          >
            {{ l.short }}
            <title>{{ l.text }}</title>
          </text>
        </svg>
      </div>
      <p v-if="!frame && size.w" class="nothing">
        Nothing stands anywhere yet: place a part, type a space, or build a frame on measured points.
      </p>
      <p v-if="over" class="said" role="status">{{ wordsOf(over) }}</p>
      <div class="views">
        <button v-for="(_, v) in sides" :key="v" type="button" class="press tight" @click="look(String(v))">{{ v }}</button>
      </div>
      <div class="keep"><IconPress :icon="Download" name="Save the drawing for print (SVG)" @click="save" /></div>
    </div>
    <details v-if="job.things.length">
      <summary>What stands here: {{ job.things.length }}</summary>
      <ul class="list" aria-label="What stands here">
        <li v-for="(t, i) in job.things" :key="t.id">
          <button
            type="button"
            class="press tight bare"
            :aria-label="['Go to', t.name, paints[i]!.word].filter(Boolean).join(' ')"
            @click="emit('pick', of(i))"
          >
            <span class="dot" :class="[paints[i]!.fill.slice(2), { hatch: paints[i]!.hatch }]" aria-hidden="true"></span
            >{{ t.name }}
            <span v-if="paints[i]!.word" class="soft small">{{ paints[i]!.word }}</span>
            <span v-if="show === 'hold' && t.use != null" class="num small">{{ percent(t.use) }} %</span>
          </button>
        </li>
      </ul>
    </details>
    <p v-if="job.unplaced.length" class="small soft">No place on the vehicle yet: {{ job.unplaced.join(', ') }}.</p>
  </div>
</template>

<style scoped>
.whole {
  display: grid;
  gap: 8px;
  min-width: 0;
}
.bar {
  gap: 8px 24px;
}
.frame {
  position: relative;
  height: clamp(300px, 52vh, 560px);
  background: var(--board);
  border: 1px solid var(--rule);
}
.host {
  position: absolute;
  inset: 0;
  overflow: hidden;
  touch-action: none;
  cursor: grab;
}
canvas,
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.views {
  position: absolute;
  left: 6px;
  top: 6px;
  display: flex;
  gap: 4px;
}
.keep {
  position: absolute;
  right: 6px;
  top: 6px;
}
.said {
  position: absolute;
  left: 6px;
  right: 6px;
  bottom: 6px;
  margin: 0;
  padding: 6px 10px;
  background: var(--paper);
  border: 1px solid var(--rule);
  pointer-events: none;
}
.nothing {
  position: absolute;
  top: 64px;
  left: 16px;
  right: 16px;
  color: var(--ink-soft);
}
.name {
  font: 560 13px var(--text);
  fill: var(--line);
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 4px;
  stroke-linejoin: round;
  pointer-events: auto;
  cursor: pointer;
}
.name.joint {
  font-weight: 700;
}
.name.point {
  font-weight: 400;
}
.cross {
  stroke: var(--line);
  stroke-width: 1.3;
}
.joint {
  fill: var(--line);
  stroke: var(--board);
}
.over .joint {
  fill: var(--line);
}
.force {
  stroke: var(--pick);
  stroke-width: 3;
  fill: none;
}
.tip {
  fill: var(--pick);
}
.tight rect,
.cannot-say rect {
  fill: var(--mind);
}
g.over rect {
  fill: var(--stop);
}
summary {
  min-height: 40px;
  padding-top: 8px;
  cursor: pointer;
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 6px;
}
.list button {
  gap: 8px;
}
.dot {
  width: 14px;
  height: 14px;
  border: 1px solid var(--ink-soft);
  background: var(--steel);
}
.dot.stop {
  background: var(--stop);
}
.dot.mind-wash {
  background: var(--mind-wash);
}
.dot.zone {
  background: var(--zone);
  border-style: dashed;
}
.dot.line-soft {
  background: var(--line-soft);
}
.dot.hatch {
  background-image: repeating-linear-gradient(135deg, var(--mind) 0 2px, transparent 2px 5px);
}
.dot.stop.hatch {
  background-image: repeating-linear-gradient(135deg, var(--board) 0 2px, transparent 2px 5px);
}
</style>
