<script setup lang="ts">
// The bolts as they stand, each with its share of the hardest case and its place
// in the order of tightening.
import { computed } from 'vue'
import type { BoltedTold } from '@/api/client'
import PictureFrame from '@/kit/PictureFrame.vue'
import { useAmounts } from '@/kit/amounts'

const props = defineProps<{ told: BoltedTold; result: NonNullable<BoltedTold['result']> }>()
const wide = 420
const high = 230
const spots = computed(() => {
  const xs = props.told.holes.map((h) => h[0]!)
  const ys = props.told.holes.map((h) => h[1]!)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const k = Math.min((wide - 150) / Math.max(x1 - x0, 1), (high - 130) / Math.max(y1 - y0, 1), 3)
  const most = Math.max(...props.result.bolts.map((b) => b.shear), 1)
  return props.told.holes.map((h, i) => {
    const b = props.result.bolts[i]
    const x = wide / 2 + (h[0]! - (x0 + x1) / 2) * k
    const y = high / 2 - (h[1]! - (y0 + y1) / 2) * k
    const way = b ? { x: (b.share[0]! / most) * 46, y: (-b.share[1]! / most) * 46 } : { x: 0, y: 0 }
    const long = Math.hypot(way.x, way.y)
    const from = long ? { x: x + (way.x / long) * 13, y: y + (way.y / long) * 13 } : { x, y }
    // Its numbers stand where its arrow does not.
    const says = way.y > 6 ? y - (b && b.tension > 1 ? 36 : 21) : y + 30
    return { x, y, way, from, says, b, order: props.result.sequence.indexOf(i) + 1 }
  })
})
const { force: kn } = useAmounts()
</script>

<template>
  <PictureFrame v-if="told.holes.length" name="joint">
    <svg :viewBox="`0 0 ${wide} ${high}`" role="img" :aria-label="`${told.holes.length} bolts with their shares`">
      <defs>
        <marker id="share-head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M0 0L8 4L0 8z" class="tip" />
        </marker>
      </defs>
      <g v-for="(s, i) in spots" :key="i">
        <circle :cx="s.x" :cy="s.y" r="13" class="bolt" />
        <text :x="s.x" :y="s.y + 5" text-anchor="middle" class="order">{{ s.order || i + 1 }}</text>
        <path
          v-if="Math.hypot(s.way.x, s.way.y) > 6"
          :d="`M${s.from.x} ${s.from.y}l${s.way.x} ${s.way.y}`"
          class="share"
          marker-end="url(#share-head)"
        />
        <text v-if="s.b" :x="s.x" :y="s.says" text-anchor="middle" class="says">{{ kn(s.b.shear) }}</text>
        <text v-if="s.b && s.b.tension > 1" :x="s.x" :y="s.says + 15" text-anchor="middle" class="says">
          pulls {{ kn(s.b.tension) }}
        </text>
      </g>
    </svg>
  </PictureFrame>
  <p v-if="result.sequence.length || result.bolts.length" class="small soft">
    {{
      [
        result.sequence.length ? 'Numbered in the order they are tightened.' : '',
        result.bolts.length ? 'Arrows in the plane, of the hardest case.' : '',
      ].join(' ')
    }}
  </p>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--board);
  border: 1px solid var(--rule);
}
.bolt {
  fill: var(--metal);
  stroke: var(--line);
  stroke-width: 1.6;
}
.order,
.says {
  font: 640 13px var(--text);
  fill: var(--line);
}
.says {
  font-weight: 500;
  font-size: 12px;
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 3px;
}
.share {
  stroke: var(--pick);
  stroke-width: 2.4;
  fill: none;
}
.tip {
  fill: var(--pick);
}
</style>
