<script setup lang="ts">
// What is cut: every blank with its bends, what stops it, and the part that is made of it.
import { computed, shallowRef, watch } from 'vue'
import { api, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import type { components } from '@/api/schema'
import { paperOf } from '@/jobs/paper'
import { once } from '@/kit/once'
import WhyButton from '@/kit/WhyButton.vue'
import type { FacetBlank, OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody; job: string; id: string }>()
const worked = computed(() => props.open.worked.value!)
const wrong = shallowRef('')
const paper = computed(() => paperOf(props.open.style.value.unit !== 'mm'))
const missing = computed(() => worked.value.blanks.filter((b) => !b.part && !b.why).length)
const path = () => ({ params: { path: { id: props.id } } })
const make = once(async () => {
  wrong.value = ''
  try {
    await props.open.send()
    await take(api.POST('/api/v1/facets/{id}/parts', path()))
    refreshJobs()
    await props.open.refetch()
  } catch (e) {
    wrong.value = words(e)
  }
})
const offers = shallowRef<components['schemas']['FacetProposal'][]>()
// What was said of the body as it was is not said of another.
watch(
  () => props.open.doc.value,
  () => (offers.value = undefined),
)
const lacks = computed(() => offers.value?.[0]?.price.lacks ?? [])
const propose = once(async () => {
  wrong.value = ''
  offers.value = undefined
  try {
    await props.open.send()
    offers.value = await take(api.POST('/api/v1/facets/{id}/bends', path()))
  } catch (e) {
    wrong.value = words(e)
  }
})
function takeIt(seams: components['schemas']['FacetSeam'][]) {
  props.open.set('/seams', seams)
  offers.value = undefined
}
const box = (b: FacetBlank) => {
  const xs = b.outline.map((p) => p[0]!)
  const ys = b.outline.map((p) => -p[1]!)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  const [w, h] = [Math.max(...xs) - x, Math.max(...ys) - y]
  const pad = Math.max(w, h) * 0.03
  return `${x - pad} ${y - pad} ${w + 2 * pad} ${h + 2 * pad}`
}
const points = (b: FacetBlank) => b.outline.map((p) => `${p[0]},${-p[1]!}`).join(' ')
</script>

<template>
  <section>
    <h2>Blanks</h2>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div class="row">
      <button v-if="missing" type="button" class="press main" @click="make">
        {{
          missing === worked.blanks.length
            ? 'Make its parts'
            : missing === 1
              ? 'Make the one missing part'
              : `Make ${missing} missing parts`
        }}
      </button>
      <button type="button" class="press" @click="propose">Which edges to bend?</button>
    </div>
    <p v-if="lacks.length" class="small soft">
      No price in all: the <RouterLink to="/shop">Shop</RouterLink> does not say {{ lacks.join(', nor ') }}.
    </p>
    <ul v-if="offers" class="offers">
      <li v-if="!offers.length" class="soft">Nothing is proposed.</li>
      <li v-for="o in offers" :key="o.why" data-offer>
        <p>
          <b class="num">{{ o.blanks }}</b> {{ o.blanks === 1 ? 'blank' : 'blanks' }}, <b class="num">{{ o.weld }}</b> to weld,
          <b class="num">{{ o.waste }} %</b> of their boxes cut off
        </p>
        <p>
          <b class="num">{{ o.price.hours }}</b><template v-if="o.price.cost != null"
            >, <b class="num">{{ o.price.cost.toFixed(2) }} {{ o.price.money }}</b></template
          ><template v-else
            ><template v-if="o.price.labour != null"
              >, labour <b class="num">{{ o.price.labour.toFixed(2) }} {{ o.price.money }}</b></template
            ><template v-if="o.price.metal != null"
              >, metal <b class="num">{{ o.price.metal.toFixed(2) }} {{ o.price.money }}</b></template
            ></template
          >
          <WhyButton v-if="o.price.working" :name="`What ${o.why} takes`" :working="o.price.working" />
          <b v-for="x in o.best" :key="x" class="best">{{ x }}</b>
        </p>
        <p class="small soft">{{ o.why }}. {{ o.price.works.join(', ') }}.</p>
        <p v-if="o.price.outside.length" class="small soft">Cut outside, in no hour: {{ o.price.outside.join(', ') }}.</p>
        <p v-if="o.now" class="small">So it is made as it stands.</p>
        <button v-else type="button" class="press tight" @click="takeIt(o.seams)">Take it</button>
      </li>
    </ul>
    <ul class="blanks">
      <li v-for="b in worked.blanks" :key="b.root" :data-blank="b.name">
        <svg v-if="b.outline.length" :viewBox="box(b)" role="img" :aria-label="`The blank of ${b.name}`">
          <polygon :points="points(b)" />
          <line v-for="(l, i) in b.lines" :key="i" :x1="l[0]" :y1="-l[1]!" :x2="l[2]" :y2="-l[3]!" />
        </svg>
        <div>
          <p>
            <b>{{ b.panels.join(', ') }}</b>
          </p>
          <p v-if="b.why" class="stop">{{ b.why }}</p>
          <p v-else>
            <span class="num">{{ b.size }}</span>, <span class="num">{{ b.mass }}</span><template v-if="b.lines.length"
              >, {{ b.lines.length }} {{ b.lines.length === 1 ? 'bend' : 'bends' }}</template
            >
          </p>
          <p v-if="b.part">
            <RouterLink :to="`/jobs/${job}/shape/${b.part}`">{{ b.called }}</RouterLink>
            <span class="soft small"> holes, marks and files there</span>
          </p>
          <p v-for="x in b.stops" :key="x" class="stop small">{{ x }}</p>
          <details v-if="b.minds.length">
            <summary class="small">{{ b.minds.length === 1 ? '1 thing to mind' : `${b.minds.length} things to mind` }}</summary>
            <p v-for="x in b.minds" :key="x" class="small">{{ x }}</p>
          </details>
        </div>
      </li>
    </ul>
  </section>
  <section v-if="worked.order.length > 1">
    <h2>Putting it together</h2>
    <ol class="order">
      <li v-for="x in worked.order" :key="x">{{ x }}</li>
    </ol>
    <template v-if="worked.closing.length">
      <p class="soft small">What half a degree at every seam before makes of the last ones:</p>
      <p v-for="x in worked.closing" :key="x" class="small">{{ x }}</p>
    </template>
  </section>
  <p class="row">
    <template v-if="worked.order.length > 1">
      <a class="press" :href="`/api/v1/facets/${id}/files/gauges`">Gauges of its seams, DXF</a>
      <a class="press" :href="`/api/v1/facets/${id}/files/gauges-paper?paper=${paper}`">Gauges, paper</a>
    </template>
    <a class="press" :href="`/api/v1/facets/${id}/files/mockup`">Mock-up in board, DXF</a>
    <a class="press" :href="`/api/v1/facets/${id}/files/mockup-paper?paper=${paper}&board=1`">Mock-up in card, paper</a>
    <a class="press" :href="`/api/v1/facets/${id}/files/stl`">The body, STL</a>
  </p>
</template>

<style scoped>
.blanks,
.offers {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 14px;
}
.blanks li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: 14px;
  align-items: start;
}
svg {
  width: 130px;
  max-height: 110px;
}
polygon {
  fill: var(--sheet, none);
  stroke: var(--ink);
  vector-effect: non-scaling-stroke;
}
line {
  stroke: var(--focus);
  stroke-dasharray: 5 3;
  vector-effect: non-scaling-stroke;
}
.stop {
  color: var(--stop);
}
.best {
  white-space: nowrap;
  margin-left: 8px;
  padding: 1px 7px;
  border: 1px solid currentColor;
  color: var(--good);
}
.offers li {
  border-bottom: 1px solid var(--rule);
  padding-bottom: 10px;
}
.order {
  margin: 0;
  padding-left: 22px;
}
</style>
