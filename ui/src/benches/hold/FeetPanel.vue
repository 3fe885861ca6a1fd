<script setup lang="ts">
// A device on its feet, from above: what each foot puts on its mount.
import { computed, ref, watch } from 'vue'
import { api, type Standing, take } from '@/api/client'
import { useAmounts } from '@/kit/amounts'
import PickOne from '@/kit/PickOne.vue'
import { trustWord } from '@/kit/trust'
import WhyButton from '@/kit/WhyButton.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ standing: Standing }>()
const { force } = useAmounts()
const d = computed(() => props.standing.device)
const at = ref(0)
watch(
  () => props.standing.governing,
  (g) => (at.value = Math.max(0, g)),
  { immediate: true },
)
const chosen = computed(() => props.standing.cases[at.value])
const why = async () => (await take(api.POST('/api/v1/calc/feet', { body: chosen.value!.input }))).working
const choices = computed(() =>
  props.standing.cases.map((c, i) => ({ value: String(i), text: c.name + (i === props.standing.governing ? ' (governs)' : '') })),
)
// From above with forward up and left at the left: x to the top, y to the left.
const box = computed(() => {
  const feet = d.value.feet ?? []
  const g = d.value.gravity
  const xs = [...feet.map((f) => f.x), g?.x ?? 0]
  const ys = [...feet.map((f) => f.y), g?.y ?? 0]
  const reach = Math.max(...xs.map(Math.abs), ...ys.map(Math.abs), 100)
  return { reach, scale: 105 / reach }
})
const px = (y: number) => 260 - y * box.value.scale
const py = (x: number) => 170 - x * box.value.scale
const arrow = computed(() => 46 / Math.max(...(chosen.value?.forces ?? [[1, 0, 0]]).map((f) => Math.hypot(f[0]!, f[1]!)), 1))
const rows = computed(() =>
  (d.value.feet ?? []).map((f, i) => {
    const v = chosen.value?.forces[i] ?? [0, 0, 0]
    return { i, f, x: v[0]!, y: v[1]!, z: v[2]!, sideways: Math.hypot(v[0]!, v[1]!) }
  }),
)
</script>

<template>
  <section class="stack">
    <h1>{{ d.name }} on its feet</h1>
    <p v-if="standing.why" class="wrong" role="alert">{{ standing.why }}</p>
    <template v-else-if="chosen">
      <p>
        The hardest on one foot is
        <strong class="num">{{ force(standing.cases[standing.governing]!.largest) }}</strong> on foot
        {{ standing.cases[standing.governing]!.foot + 1 }}: {{ standing.cases[standing.governing]!.name }}.
        <span v-if="standing.least && standing.least.trust !== 'measured'" class="least"
          >Rests on the {{ standing.least.name }}, {{ trustWord(standing.least.trust) }}.</span
        >
      </p>
      <div class="case">
        <PickOne label="Case" :choices="choices" :model-value="String(at)" @update:model-value="(v) => (at = Number(v))" />
        <WhyButton name="the share of each foot" :working="why" />
      </div>
      <div class="two">
        <svg viewBox="0 0 520 340" role="img" :aria-label="`${d.name} from above with the force on each foot`">
          <defs>
            <marker id="head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
              <path d="M0 0L8 4L0 8z" class="tip" />
            </marker>
          </defs>
          <path d="M260 30V10M254 18l6-8 6 8" class="thin" />
          <text x="272" y="22" class="small">forward</text>
          <g v-for="r in rows" :key="r.i">
            <rect :x="px(r.f.y) - 9" :y="py(r.f.x) - 9" width="18" height="18" class="foot" :class="{ lifts: r.z > 0 }" />
            <path
              v-if="r.sideways * arrow > 3"
              :d="`M${px(r.f.y)} ${py(r.f.x)}l${-r.y * arrow} ${-r.x * arrow}`"
              class="force"
              marker-end="url(#head)"
            />
            <text
              :x="px(r.f.y) + (r.f.y > 0 ? -14 : 14)"
              :y="py(r.f.x) + (r.f.x > 0 ? -30 : 34)"
              :text-anchor="r.f.y > 0 ? 'end' : 'start'"
              class="size"
            >
              {{ r.z > 0 ? '↑' : '↓' }} {{ force(Math.abs(r.z)) }}
            </text>
            <text
              :x="px(r.f.y) + (r.f.y > 0 ? -14 : 14)"
              :y="py(r.f.x) + (r.f.x > 0 ? -14 : 50)"
              :text-anchor="r.f.y > 0 ? 'end' : 'start'"
              class="small"
            >
              foot {{ r.i + 1 }}, sideways {{ force(r.sideways) }}
            </text>
          </g>
          <g v-if="d.gravity" :transform="`translate(${px(d.gravity.y)} ${py(d.gravity.x)})`">
            <circle r="7" class="thin" />
            <path d="M-11 0H11M0 -11V11" class="thin" />
            <text x="14" y="5" class="small">gravity</text>
          </g>
        </svg>
        <TableFrame name="What the feet do">
          <thead>
            <tr>
              <th scope="col">Foot</th>
              <th scope="col">Presses</th>
              <th scope="col">Pushes forward</th>
              <th scope="col">Pushes left</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.i" :data-foot="r.i + 1">
              <th scope="row">{{ r.i + 1 }}</th>
              <td class="num">{{ r.z > 0 ? `lifts ${force(r.z)}` : force(-r.z) }}</td>
              <td>{{ r.x < 0 ? '−' : '' }}{{ force(Math.abs(r.x)) }}</td>
              <td>{{ r.y < 0 ? '−' : '' }}{{ force(Math.abs(r.y)) }}</td>
            </tr>
          </tbody>
        </TableFrame>
      </div>
      <p class="soft small">
        A stiff device on fastened feet: all sharing, each one loose in turn, the two pairs across each other carrying. Every
        vertical case with every horizontal one, both signs. Forces are those on the mounts.
      </p>
    </template>
  </section>
</template>

<style scoped>
.case {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
  align-items: end;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 24px;
  align-items: start;
}
svg {
  width: 100%;
  max-height: 460px;
  background: var(--board);
  border: 1px solid var(--rule);
}
.foot {
  fill: var(--metal);
  stroke: var(--line);
  stroke-width: 1.5;
}
.foot.lifts {
  stroke-dasharray: 3 2;
}
.force {
  stroke: var(--pick);
  stroke-width: 2.5;
  fill: none;
}
.tip {
  fill: var(--pick);
}
.thin {
  stroke: var(--line-soft);
  fill: none;
}
text {
  fill: var(--line);
  font: 500 11px var(--text);
}
text.size {
  font-weight: 680;
  font-size: 14px;
}
.least {
  color: var(--mind);
}
@media (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
