<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useQuery } from '@tanstack/vue-query'
import { api, take, words } from '@/api/client'
import { useJob } from '@/api/queries'
import { useRail } from '@/device'
import FlatBoard from '@/board/FlatBoard.vue'
import SectionBoard from '@/board/SectionBoard.vue'
import { bind } from '@/keys/keys'
import { provideInches } from '@/kit/amounts'
import PictureButton from '@/kit/PictureButton.vue'
import { onScopeDispose } from 'vue'
import AddBar from './AddBar.vue'
import FeatureList from './FeatureList.vue'
import FollowNotice from './FollowNotice.vue'
import MeasureBar from './MeasureBar.vue'
import PartStrip from './PartStrip.vue'
import ShapeDesk from './ShapeDesk.vue'
import { useBench } from './useBench'

const BodyView = defineAsyncComponent(() => import('@/body/BodyView.vue'))

const props = defineProps<{ job: string; part?: string }>()
const router = useRouter()
const rail = useRail()
const { data: page, error } = useJob(() => props.job)
/** Seams of the job's welded joints that run along edges of this part. */
const seams = computed(() =>
  (page.value?.job.brief.welded ?? [])
    .filter((w) => w.sides[0]?.kind === 'part' && w.sides[0]?.of === props.part)
    .flatMap((w) => w.seams ?? []),
)
const style = computed(() => ({
  unit: page.value?.job.brief.unit ?? ('mm' as const),
  grain: page.value?.job.brief.grain ?? 1,
  lift: page.value?.job.brief.limits?.lift?.value || undefined,
  nearPeople: page.value?.job.brief.devices?.some((d) => d.nearPeople) || undefined,
}))
provideInches(() => style.value.unit !== 'mm')
const bench = useBench(() => style.value)
const narrow = useMediaQuery('(max-width: 1000px)')
const side = ref<'flat' | 'body'>('flat')
const drawing = ref<'flat' | 'panel' | 'section'>('flat')
const looks = [
  ['flat', 'whole'],
  ['panel', 'one panel'],
  ['section', 'section'],
] as const
/** The panel of what is chosen; the base until something is. */
const panelShown = computed(() => {
  const b = open.value?.built.value
  const f = bench.feature.value
  if (!b) return undefined
  return (
    b.panels.find((p) => p.id === f)?.id ??
    b.holes.find((h) => h.feature === f)?.panel ??
    b.marks.find((m) => m.id === f)?.panel ??
    b.panels[0]?.id
  )
})

watch(
  [() => props.part, page],
  ([part, p]) => {
    if (!p) return
    rail.job = props.job
    localStorage.setItem('warmanvil.opened', 'yes')
    rail.jobName = p.job.brief.name
    if (!part && p.parts[0]) void router.replace(`/jobs/${props.job}/shape/${p.parts[0].id}`)
    else if (!part && !p.frames[0] && p.bodies[0]) void router.replace(`/jobs/${props.job}/shape/body/${p.bodies[0].id}`)
    else if (!part && p.frames[0]) void router.replace(`/jobs/${props.job}/shape/frame/${p.frames[0].id}`)
    else if (!part) void router.replace(`/jobs/${props.job}/shape/new`)
    else {
      rail.part = part
      bench.open(part)
    }
  },
  { immediate: true },
)
watch(
  () => bench.part.value?.built.value,
  (b) => (rail.stops = b?.findings.filter((f) => f.severity === 'stop' && !f.setAside).length ?? 0),
)
const unbind = [bind('alt+arrowdown', 'next size', () => bench.walk(1)), bind('alt+arrowup', 'size before', () => bench.walk(-1))]
onScopeDispose(() => unbind.forEach((f) => f()))
const open = computed(() => bench.part.value)
const revised = computed(() => page.value?.parts.find((p) => p.id === props.part)?.revision)
const ordered = ref(false)
const { data: runs, isFetching: ordering } = useQuery({
  queryKey: ['holding', 'flat-runs', () => props.job, () => props.part, () => page.value?.job.revision, () => revised.value],
  queryFn: () =>
    take(api.GET('/api/v1/jobs/{id}/flat-runs', { params: { path: { id: props.job }, query: { part: props.part ?? '' } } })),
  enabled: () => ordered.value && !!props.part,
})
/** What the runs are of: joints of the job, and the part's own corners. */
const runsOf = computed(() => {
  if (!ordered.value) return ''
  if (!runs.value) return ordering.value ? 'Putting its runs in order.' : ''
  const names = [...new Set(runs.value.map((r) => r.of))].map(
    (of) => page.value?.job.brief.welded?.find((w) => w.id === of)?.name ?? 'its own corners',
  )
  if (!names.length) return 'Nothing of it is welded along an edge here.'
  return names.length < 2 ? `Order of ${names[0]}` : names.map((n, i) => `${String.fromCharCode(65 + (i % 26))} ${n}`).join(', ')
})
/** Whether corners of it are closed by a weld. */
const corners = computed(() => {
  const any = (f: { meets?: { kind: string }[]; flanges?: unknown[] } | undefined): boolean =>
    !!f && (!!f.meets?.some((m) => m.kind === 'weld') || !!f.flanges?.some((x) => any(x as typeof f)))
  return any(open.value?.recipe.value?.base)
})
watch([drawing, open], ([d, part]) => {
  if (!part || part.sections.value === (d === 'section')) return
  part.sections.value = d === 'section'
  if (d === 'section' && part.built.value) void part.build()
})
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }}</p>
  <p v-else-if="bench.trouble.value" class="page wrong" role="alert">
    {{ bench.trouble.value }} <RouterLink to="/jobs">Back to the jobs</RouterLink>
  </p>
  <div v-else-if="page && open?.doc.value && open.built.value" class="shape" :data-save="open.state.value">
    <PartStrip :page="page" :bench="bench" />
    <FeatureList class="list" :bench="bench" />
    <section class="views" :class="{ narrow }">
      <div v-if="narrow" class="flip">
        <button type="button" class="press" :class="{ main: side === 'flat' }" @click="side = 'flat'">Flat</button>
        <button type="button" class="press" :class="{ main: side === 'body' }" @click="side = 'body'">Folded</button>
      </div>
      <div v-if="!narrow || side === 'flat'" class="pane marking">
        <SectionBoard
          v-if="drawing === 'section'"
          :part="open.built.value"
          :chosen="bench.chosen.value"
          :feature="bench.feature.value"
          @dimension="bench.choose"
          @face="bench.pick"
        />
        <FlatBoard
          v-else
          :part="open.built.value"
          :chosen="bench.chosen.value"
          :feature="bench.feature.value"
          :edge="bench.edge.value"
          :seams="seams"
          :runs="ordered ? runs : undefined"
          :panel="drawing === 'panel' ? panelShown : undefined"
          @dimension="bench.choose"
          @face="bench.pick"
          @edge="bench.pick"
          @hole="bench.pick"
        />
        <PictureButton :name="`${open.doc.value.name} ${drawing}`" high />
        <div class="looks" role="group" aria-label="What is drawn">
          <button
            v-for="[key, text] in looks"
            :key="key"
            type="button"
            class="press tight"
            :class="{ on: drawing === key }"
            :aria-pressed="drawing === key"
            @click="drawing = key"
          >
            {{ text }}
          </button>
          <button
            v-if="(seams.length || corners) && drawing !== 'section'"
            type="button"
            class="press tight"
            :class="{ on: ordered }"
            :aria-pressed="ordered"
            @click="ordered = !ordered"
          >
            weld order
          </button>
        </div>
        <p v-if="runsOf && drawing !== 'section'" class="legend small" role="status" data-order-says>{{ runsOf }}</p>
      </div>
      <BodyView
        v-if="open.body.value && (!narrow || side === 'body')"
        class="pane"
        :body="open.body.value.shape"
        :feature="bench.feature.value"
        :name="open.doc.value.name"
        :findings="open.body.value.findings"
        @look="bench.pick"
      />
    </section>
    <div class="bars">
      <FollowNotice :job="job" :part="part ?? ''" />
      <AddBar v-if="bench.adding.value" :bench="bench" />
      <MeasureBar :bench="bench" />
    </div>
    <ShapeDesk class="desk" :bench="bench" :job="job" />
  </div>
  <p v-else class="page soft">Fetching the part.</p>
</template>

<style scoped>
.shape {
  display: grid;
  grid-template-columns: 284px minmax(0, 1fr);
  grid-template-rows: auto minmax(240px, 1.25fr) auto minmax(190px, 1fr);
  height: 100%;
}
.shape > :first-child {
  grid-column: 1 / -1;
}
.list {
  grid-row: 2 / 5;
  border-right: 1px solid var(--rule);
  position: relative; /* what is hidden for the eye stays inside */
  overflow: auto;
  min-height: 0;
}
.views {
  display: grid;
  grid-template-columns: 1.25fr 1fr;
  gap: 8px;
  padding: 8px;
  min-height: 0;
}
.views.narrow {
  grid-template-columns: 1fr;
  grid-template-rows: auto 1fr;
}
.marking {
  position: relative;
  min-height: 0;
}
.legend {
  position: absolute;
  left: 10px;
  bottom: 8px;
  right: 10px;
  margin: 0;
}
.looks {
  position: absolute;
  left: 6px;
  top: 6px;
  display: flex;
  gap: 4px;
}
.looks .on {
  background: var(--ink);
  color: var(--paper);
}
.flip {
  display: flex;
  gap: 8px;
}
.flip .press {
  flex: 1;
}
.desk {
  min-height: 0;
  position: relative; /* what is hidden for the eye stays inside */
  overflow: auto;
}
@media (max-width: 1000px) {
  .shape {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto minmax(360px, 46dvh) auto auto auto;
    height: auto;
  }
  .list {
    grid-row: auto;
    order: 5;
    border-right: 0;
    border-top: 2px solid var(--rule);
  }
  .bars {
    position: sticky;
    bottom: 0;
    z-index: 5;
  }
}
</style>
