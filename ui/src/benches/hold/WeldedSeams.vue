<script setup lang="ts">
// The seams of a welded joint: where each runs, its form and size, and how the shop lays it.
import { computed } from 'vue'
import type { HoldingView, SeamPlan, WeldedTold } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import CardList from '@/kit/CardList.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import PlaceList from '@/quick/PlaceList.vue'
import { blankSeam } from './blankWelded'
import SeamLaid from './SeamLaid.vue'

const props = defineProps<{ open: OpenBrief; at: number; told: WeldedTold; view?: HoldingView }>()
const joint = computed(() => props.open.brief.value!.welded![props.at]!)
const seams = computed(() => joint.value.seams ?? [])
const seam = (i: number) => props.open.under(() => `/welded/${props.at}/seams/${i}` as const)
const first = computed(() => joint.value.sides[0]!)
const edges = computed(() => (props.view?.edges ?? []).filter((e) => first.value.kind === 'part' && e.part === first.value.of))
const inch = computed(() => props.open.style.value.unit !== 'mm')
const edgeKey = (e: { panel?: string; edge?: string }) => `${e.panel} ${e.edge}`
const places = computed(() => [
  { value: '', text: 'points drawn by hand' },
  ...edges.value.map((e) => ({ value: edgeKey(e), text: `${e.name}, ${/^\d+$/.test(e.edge) ? `edge ${e.edge}` : e.edge}` })),
  ...(first.value.kind === 'member' ? wordsOf('SeamPlan', 'end') : []),
])
const place = (s: SeamPlan) => (s.panel ? edgeKey(s) : (s.end ?? ''))
function run(i: number, v: string) {
  const e = edges.value.find((x) => edgeKey(x) === v)
  const end = v === 'a' || v === 'b' ? v : undefined
  const now = seams.value[i]!
  props.open.set(`/welded/${props.at}/seams/${i}`, {
    ...now,
    panel: e?.panel,
    edge: e?.edge,
    end,
    path:
      e || end
        ? undefined
        : (now.path ?? [
            [0, 0, 0],
            [100, 0, 0],
          ]),
  } satisfies SeamPlan)
}
const blank = () =>
  blankSeam(
    seams.value.length + 1,
    edges.value.find((e) => !seams.value.some((s) => edgeKey(s) === edgeKey(e))) ?? edges.value[0],
    inch.value,
  )
/** Every edge of the panel its first seam runs along that has none yet. */
const rest = computed(() => {
  const panel = seams.value[0]?.panel
  return edges.value.filter((e) => e.panel === panel && !seams.value.some((s) => edgeKey(s) === edgeKey(e)))
})
function allRound() {
  const like = seams.value[0]!
  const more = rest.value.map((e, k) => ({
    ...like,
    ...blankSeam(seams.value.length + 1 + k, e, inch.value),
    form: like.form,
    leg: like.leg,
    before: undefined,
    after: undefined,
  }))
  change([...seams.value, ...more])
}
const change = (list: SeamPlan[]) => props.open.set(`/welded/${props.at}/seams`, list)
const of = (id: string) => props.told.seams.find((s) => s.id === id)
const sides = [
  { value: false, text: 'one side' },
  { value: true, text: 'both sides' },
]
const lengths = [
  { value: false, text: 'all along' },
  { value: true, text: 'stitches' },
]
const stitched = (i: number, v: boolean) => {
  const now = seams.value[i]!
  props.open.set(`/welded/${props.at}/seams/${i}`, {
    ...now,
    stitch: v ? (now.stitch ?? (inch.value ? 38.1 : 40)) : undefined,
    pitch: v ? (now.pitch ?? (inch.value ? 101.6 : 100)) : undefined,
  } satisfies SeamPlan)
}
const butt = (s: SeamPlan) => s.form === 'butt'
/** Plugs and spots: places, each as wide as it is. */
const dots = (s: SeamPlan) => s.form === 'plug' || s.form === 'spot'
const features = computed(() => (props.view?.features ?? []).filter((f) => f.part === first.value.of))
const spots = computed(() => [
  { value: '', text: 'points drawn by hand' },
  ...features.value.map((f) => ({ value: `hole ${f.id}`, text: `${f.count} × ${f.name}` })),
  ...(props.view?.sides ?? [])
    .filter((s) => s.side.kind === 'vehicle' && s.side.of)
    .map((s) => ({ value: `map ${s.side.of}`, text: s.name })),
])
const spot = (s: SeamPlan) => (s.holes?.length ? `hole ${s.holes[0]}` : s.map ? `map ${s.map}` : '')
function put(i: number, v: string) {
  const now = seams.value[i]!
  const [kind, ...rest] = v.split(' ')
  const id = rest.join(' ')
  props.open.set(`/welded/${props.at}/seams/${i}`, {
    ...now,
    panel: undefined,
    edge: undefined,
    end: undefined,
    holes: kind === 'hole' ? [id] : undefined,
    map: kind === 'map' ? id : undefined,
    path: v ? undefined : (now.path ?? [[0, 0, 0]]),
  } satisfies SeamPlan)
}
/** Another form: what only the other has goes. */
function shape(i: number, form: SeamPlan['form']) {
  const now = seams.value[i]!
  const is = form === 'plug' || form === 'spot'
  if (is === dots(now)) {
    const { leg, radius, by, ...rest } = now
    const kept = form === 'spot' || now.form === 'spot' ? {} : { by }
    const size = form === 'flare' ? { radius } : form === 'butt' || dots(now) ? {} : { leg: leg ?? (inch.value ? 3.175 : 3) }
    return props.open.set(`/welded/${props.at}/seams/${i}`, { ...rest, ...kept, ...size, form } satisfies SeamPlan)
  }
  const edge = edges.value[0]
  props.open.set(`/welded/${props.at}/seams/${i}`, {
    id: now.id,
    name: now.name,
    passed: now.passed,
    form,
    ...(is
      ? { across: inch.value ? 12.7 : 12, path: [[0, 0, 0]] }
      : {
          leg: inch.value ? 3.175 : 3,
          ...(edge
            ? { panel: edge.panel, edge: edge.edge }
            : {
                path: [
                  [0, 0, 0],
                  [100, 0, 0],
                ],
              }),
        }),
  } satisfies SeamPlan)
}
</script>

<template>
  <section class="stack">
    <h2>Its seams</h2>
    <CardList
      :rows="seams"
      word="seam"
      :name="(s) => s.name || s.id"
      add="One more seam"
      :make="blank"
      v-slot="{ row, i }"
      @change="change"
    >
      <div class="seam" :data-seam="row.name || row.id">
        <FieldGrid :min="170" keep>
          <TextField
            label="Name"
            :model-value="row.name ?? ''"
            :maxlength="80"
            @update:model-value="(v) => seam(i).set('/name', v)"
          />
          <p v-if="row.on" class="foot">along the foot of a gusset, as one with the first part</p>
          <PickOne
            v-else-if="dots(row)"
            label="They are at"
            :choices="spots"
            :model-value="spot(row)"
            @update:model-value="(v) => put(i, v)"
          />
          <PickOne
            v-else
            label="It runs along"
            :choices="places"
            :model-value="place(row)"
            @update:model-value="(v) => run(i, v)"
          />
          <PickOne
            label="It is"
            :choices="wordsOf('SeamPlan', 'form')"
            :model-value="row.form"
            @update:model-value="(v) => shape(i, v)"
          />
          <ValueField
            v-if="dots(row)"
            label="One is across"
            :model-value="row.across ?? null"
            :lengths="open.style.value"
            :note="row.form === 'plug' ? 'its hole' : 'as peeled apart'"
            :wrong="seam(i).fault('/across')"
            @update:model-value="(v) => seam(i).set('/across', v ?? undefined)"
          />
          <ValueField
            v-if="row.form === 'flare'"
            label="Radius outside"
            :model-value="row.radius ?? null"
            :lengths="open.style.value"
            note="of the rounded corner or the bar"
            :wrong="seam(i).fault('/radius')"
            @update:model-value="(v) => seam(i).set('/radius', v ?? undefined)"
          />
          <ValueField
            v-else-if="!butt(row) && !dots(row)"
            label="Leg"
            :model-value="row.leg ?? null"
            :lengths="open.style.value"
            :wrong="seam(i).fault('/leg')"
            @update:model-value="(v) => seam(i).set('/leg', v ?? undefined)"
          />
          <ValueField
            v-if="!row.full && !dots(row)"
            label="Throat"
            :model-value="row.throat ?? null"
            :lengths="open.style.value"
            :note="butt(row) ? 'as deep as it is known to be' : 'by a coupon; empty: from the leg'"
            :wrong="seam(i).fault('/throat')"
            @update:model-value="(v) => seam(i).set('/throat', v ?? undefined)"
          />
          <ValueField
            v-if="row.form === 'fillet' || row.form === 'corner'"
            label="Angle between the faces"
            kind="angle"
            :model-value="row.angle ?? 90"
            :lengths="open.style.value"
            :wrong="seam(i).fault('/angle')"
            @update:model-value="(v) => seam(i).set('/angle', v === 90 ? undefined : v)"
          />
          <ChoiceRow
            v-if="!butt(row) && !dots(row) && row.form !== 'edge'"
            label="Welded on"
            :choices="sides"
            :model-value="row.both ?? false"
            @update:model-value="(v) => seam(i).set('/both', v || undefined)"
          />
          <ChoiceRow
            v-if="!dots(row)"
            label="Length"
            :choices="lengths"
            :model-value="(row.stitch ?? 0) > 0"
            @update:model-value="(v) => stitched(i, v)"
          />
          <template v-if="row.stitch && !dots(row)">
            <ValueField
              label="A stitch, long"
              :model-value="row.stitch"
              :lengths="open.style.value"
              :wrong="seam(i).fault('/stitch')"
              @update:model-value="(v) => seam(i).set('/stitch', v)"
            />
            <ValueField
              label="From middle to middle"
              :model-value="row.pitch ?? null"
              :lengths="open.style.value"
              :wrong="seam(i).fault('/pitch')"
              @update:model-value="(v) => seam(i).set('/pitch', v ?? undefined)"
            />
          </template>
          <PickOne
            v-if="!dots(row)"
            label="Left"
            :choices="wordsOf('SeamPlan', 'finish')"
            :model-value="row.finish ?? 'as is'"
            @update:model-value="(v) => seam(i).set('/finish', v === 'as is' ? undefined : v)"
          />
          <ValueField
            label="Gap under it"
            :model-value="row.gap ?? null"
            :lengths="open.style.value"
            note="as measured; empty: none"
            :wrong="seam(i).fault('/gap')"
            @update:model-value="(v) => seam(i).set('/gap', v ?? undefined)"
          />
          <template v-if="row.panel">
            <ValueField
              label="Left out at its start"
              :model-value="row.before ?? 0"
              :lengths="open.style.value"
              :wrong="seam(i).fault('/before')"
              @update:model-value="(v) => seam(i).set('/before', v || undefined)"
            />
            <ValueField
              label="Left out at its end"
              :model-value="row.after ?? 0"
              :lengths="open.style.value"
              :wrong="seam(i).fault('/after')"
              @update:model-value="(v) => seam(i).set('/after', v || undefined)"
            />
          </template>
          <label v-if="butt(row)" class="tick"
            ><input type="checkbox" :checked="row.full ?? false" @change="seam(i).set('/full', !row.full || undefined)" /> melted
            through, or gouged from the back and welded there</label
          >
          <label v-if="!dots(row)" class="tick"
            ><input type="checkbox" :checked="row.runOff ?? false" @change="seam(i).set('/runOff', !row.runOff || undefined)" />
            starts and stops on pieces cut off after</label
          >
        </FieldGrid>
        <PlaceList
          v-if="!row.panel && !row.end && !row.holes?.length && !row.map"
          label="Points"
          :axes="['forward or right', 'left or back', 'up']"
          :lengths="open.style.value"
          :model-value="(row.path ?? []) as number[][]"
          :fault="(p: string) => seam(i).fault(`/path${p}` as never)"
          @update:model-value="(v) => seam(i).set('/path', v as never)"
        />
        <SeamLaid
          v-if="of(row.id)"
          :row="row"
          :seam="of(row.id)!"
          :lengths="open.style.value"
          :dots="dots(row)"
          @by="(v) => seam(i).set('/by', v)"
          @passed="(v) => seam(i).set('/passed', v)"
          @plug="(across) => open.set(`/welded/${at}/seams/${i}`, { ...row, form: 'plug', across, by: undefined })"
        />
      </div>
    </CardList>
    <button v-if="seams.length && rest.length" type="button" class="press tight" @click="allRound">
      All other edges of that panel too
    </button>
  </section>
</template>

<style scoped>
.foot {
  align-self: end;
  margin: 0;
}
.seam {
  display: grid;
  gap: 8px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  align-self: end;
}
</style>
