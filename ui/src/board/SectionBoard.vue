<script setup lang="ts">
// The folded part cut square to its bends, with every size there that can be
// tapped and typed over.
import { useElementSize } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Dimension, Part } from '@/api/client'
import PickOne from '@/kit/PickOne.vue'
import BoardDimension from './BoardDimension.vue'
import { fit, type P, points } from './geometry'
import { placeAll, type Rect, tagHeight, tagWidth } from './place'

const props = defineProps<{ part: Part; chosen?: Dimension; feature?: string }>()
const emit = defineEmits<{ dimension: [path: string]; face: [panel: string] }>()

const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
const which = ref(0)
const cut = computed(() => props.part.sections[Math.min(which.value, props.part.sections.length - 1)])
// The section follows what is chosen, where another shows it.
watch(
  () => props.feature,
  (f) => {
    if (!f || cut.value?.panels.slice(1).includes(f)) return
    const i = props.part.sections.findIndex((s) => s.panels.includes(f))
    if (i >= 0) which.value = i
  },
  { immediate: true },
)
const names = computed(() => new Map(props.part.panels.map((p) => [p.id, p.name])))
const said = (panels: string[]) =>
  panels
    .filter((id) => names.value.has(id) && id !== props.part.panels[0]?.id)
    .map((id) => names.value.get(id))
    .join(', ')
const view = computed(() => {
  const all = cut.value!.pieces.flatMap((p) => p.rim)
  const xs = all.map((p) => p.x)
  const ys = all.map((p) => p.y)
  const bounds = { min: { x: Math.min(...xs), y: Math.min(...ys) }, max: { x: Math.max(...xs), y: Math.max(...ys) } }
  return fit(bounds, width.value || 600, height.value || 400, { left: 90, right: 90, top: 84, bottom: 54 })
})
type Drawn = { d: Dimension; a: P; b: P; bend: boolean; spot?: Rect; line: string }
/** Each size beside its line; a line is drawn off the metal, on the side that is measured. */
const sizes = computed<Drawn[]>(() => {
  const byPath = new Map(props.part.dimensions.map((d) => [d.path, d]))
  const list = cut.value!.sizes.flatMap((m) => {
    const d = byPath.get(m.path)
    if (!d) return []
    const bend = m.path.endsWith('/angle') || m.path.endsWith('/insideRadius')
    const off = bend ? 16 : 20
    const by = { x: m.beside.x * off, y: -m.beside.y * off }
    const p = view.value.at(m.from)
    const q = view.value.at(m.to)
    const a = { x: p.x + by.x, y: p.y + by.y }
    const b = { x: q.x + by.x, y: q.y + by.y }
    const line = bend
      ? `M${p.x} ${p.y}L${a.x} ${a.y}`
      : `M${p.x + by.x / 4} ${p.y + by.y / 4}L${a.x + by.x / 4} ${a.y + by.y / 4}M${q.x + by.x / 4} ${q.y + by.y / 4}L${b.x + by.x / 4} ${b.y + by.y / 4}M${a.x} ${a.y}L${b.x} ${b.y}`
    return [{ d, a, b, bend, by, line }]
  })
  // What is chosen and the lengths come first; angles and radii where there is room.
  const order = [...list].sort(
    (x, y) => rank(x.d, x.bend) - rank(y.d, y.bend), // stable
  )
  const spots = placeAll(
    order.map((s) => {
      const w = tagWidth(text(s.d))
      const around = (x: number, y: number) => ({ x: x - w / 2, y: y - tagHeight / 2, w, h: tagHeight })
      const far = Math.hypot(s.by.x, s.by.y) || 1
      const u = { x: s.by.x / far, y: s.by.y / far }
      // On its line first, then further out until it is clear.
      const places = [0, 18, 36, 60, 90].flatMap((out) =>
        [0.5, 0.3, 0.7, 0.1, 0.9].map((t) => {
          const reach = out + Math.abs(u.x) * (s.bend ? w / 2 : 0)
          return around(s.a.x + (s.b.x - s.a.x) * t + u.x * reach, s.a.y + (s.b.y - s.a.y) * t + u.y * reach)
        }),
      )
      return { key: s.d.path, places, must: s.d.path === props.chosen?.path }
    }),
    cut.value!.pieces.map((p) => {
      const at = p.rim.map((q) => view.value.at(q))
      const x = Math.min(...at.map((q) => q.x))
      const y = Math.min(...at.map((q) => q.y))
      return { x, y, w: Math.max(...at.map((q) => q.x)) - x, h: Math.max(...at.map((q) => q.y)) - y }
    }),
    { x: 1, y: 40, w: (width.value || 600) - 2, h: (height.value || 400) - 41 },
  )
  return list.map((s) => ({ ...s, spot: spots.get(s.d.path) }))
})
const rank = (d: Dimension, bend: boolean) => (d.path === props.chosen?.path ? 0 : !bend ? 1 : d.path.endsWith('/angle') ? 2 : 3)
const text = (d: Dimension) => (d.path.endsWith('/insideRadius') ? `R ${d.text}` : d.text)
</script>

<template>
  <div ref="frame" class="board" data-testid="section">
    <template v-if="cut">
      <svg :width="width" :height="height" role="img" :aria-label="`Section through ${said(cut.panels) || 'the base'}`">
        <polygon
          v-for="(p, i) in cut.pieces"
          :key="i"
          :points="points(p.rim, view)"
          class="metal"
          :class="{ on: p.id === feature, bend: p.bend }"
          @click="emit('face', p.id)"
        />
        <template v-for="s in sizes" :key="s.d.path">
          <BoardDimension
            v-if="s.spot"
            :data-size="s.d.path"
            :dimension="s.d"
            :spot="s.spot"
            :line="s.line"
            :text="text(s.d)"
            :chosen="s.d.path === chosen?.path"
            lined
            @choose="emit('dimension', s.d.path)"
          />
        </template>
      </svg>
      <PickOne
        v-if="part.sections.length > 1"
        class="which"
        hide-label
        label="Cut through"
        :choices="part.sections.map((s, i) => ({ value: String(i), text: said(s.panels) }))"
        :model-value="String(which)"
        @update:model-value="(v) => (which = Number(v))"
      />
    </template>
    <p v-else-if="!part.bendLines.length || !part.whole" class="nothing">
      A section shows bends: this part has none{{ part.whole ? '' : ' that can be folded' }}.
    </p>
  </div>
</template>

<style scoped>
.board {
  background: var(--board);
  border: 1px solid var(--rule);
  min-height: 220px;
  overflow: hidden;
  height: 100%;
  position: relative;
}
svg {
  position: absolute;
  inset: 0;
  display: block;
}
.metal {
  fill: var(--steel);
  stroke: var(--line);
  stroke-width: 1.2;
  cursor: pointer;
}
.metal.bend {
  fill: var(--zone);
}
.metal.on {
  fill: var(--pick);
}
.which {
  position: absolute;
  right: 52px;
  top: 6px;
  max-width: 50%;
}
.nothing {
  padding: 64px 24px;
  color: var(--ink-soft);
}
</style>
