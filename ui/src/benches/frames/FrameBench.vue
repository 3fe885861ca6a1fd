<script setup lang="ts">
// A frame of members: list and drawing in step, strength and cut list beside.
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { words } from '@/api/client'
import { newId } from '@/api/ids'
import { useJob } from '@/api/queries'
import { useRail } from '@/device'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FlagList from '@/kit/FlagList.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'
import BuildSheet from './BuildSheet.vue'
import CutSheet from './CutSheet.vue'
import FrameStrip from './FrameStrip.vue'
import HoldSheet from './HoldSheet.vue'
import LoadSheet from './LoadSheet.vue'
import StartFrame from './StartFrame.vue'
import OrderPress from '@/benches/OrderPress.vue'
import { marks } from './marks'
import { useFrame } from './useFrame'
import { useWeldOrder } from '@/benches/weldOrder'

const FrameView = defineAsyncComponent(() => import('./FrameView.vue'))
const props = defineProps<{ job: string; frame?: string; sheet?: string }>()
const router = useRouter()
const rail = useRail()
const { data: page, error } = useJob(() => props.job)
const open = useFrame(
  () => props.job,
  () => props.frame ?? '',
)
const sheets = [
  { key: '', name: 'Build' },
  { key: 'loads', name: 'Carries' },
  { key: 'strength', name: 'Holds' },
  { key: 'cut', name: 'Cut' },
]
const here = computed(() => sheets.find((s) => s.key === (props.sheet ?? ''))?.key ?? '')
watch(
  () => [props.frame, page.value] as const,
  ([id]) => {
    rail.job = props.job
    if (id) rail.part = `frame/${id}`
  },
  { immediate: true },
)
const findings = computed(() => open.worked.value?.findings ?? [])
watch(findings, (f) => (rail.stops = f.filter((x) => x.severity === 'stop' && !x.setAside).length))
const scale = ref(0)
const scales = [
  { value: 0, text: 'as built' },
  { value: 1, text: '1×' },
  { value: 10, text: '10×' },
  { value: 50, text: '50×' },
]
const over = computed(() => marks(open.worked.value))
function aside(f: { code: string; feature?: string }, reason?: string) {
  const list = (open.doc.value?.asides ?? []).filter((a) => a.code !== f.code || a.feature !== f.feature)
  open.set('/asides', reason ? [...list, { code: f.code, feature: f.feature, reason }] : list)
}
const welding = useWeldOrder(
  () => props.job,
  () => props.frame ?? '',
  () => page.value?.job.revision,
)
const flagsOpen = ref(false)
// What cannot be made is said without being asked for.
const shownFlags = computed(() =>
  flagsOpen.value ? findings.value : findings.value.filter((f) => f.severity === 'stop' && !f.setAside),
)

// Two points tapped one after the other are joined by a member.
const joining = ref<string>()
function took(id: string) {
  if (joining.value === undefined || !open.doc.value?.points?.some((p) => p.id === id)) {
    open.choose(id)
    return
  }
  if (joining.value === '' || joining.value === id) {
    joining.value = id
    return
  }
  const members = open.doc.value.members ?? []
  const last = members.at(-1)
  const made = {
    id: newId(),
    name: `Member ${members.length + 1}`,
    from: joining.value,
    to: id,
    section: last?.section ?? { kind: 'rectTube' as const, width: 40, height: 40, wall: 3, outerRadius: 6 },
    stock: last ? last.stock : '40 × 40 × 3 mm tube',
  }
  open.set('/members', [...members, made])
  open.choose(made.id)
  joining.value = undefined
}
// A point dragged in the drawing; its offset from another point goes along.
const loose = computed(() => open.doc.value?.points?.map((p) => p.id) ?? [])
function moved(id: string, by: [number, number, number]) {
  const i = loose.value.indexOf(id)
  const p = open.doc.value!.points![i]!
  open.set(`/points/${i}`, { ...p, x: (p.x ?? 0) + by[0], y: (p.y ?? 0) + by[1], z: (p.z ?? 0) + by[2] })
  open.choose(id)
}
const joinWord = computed(() =>
  joining.value === undefined ? 'Join two points' : joining.value === '' ? 'Tap the first point' : 'Tap the second point',
)
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }} <RouterLink to="/jobs">Back to the jobs</RouterLink></p>
  <StartFrame v-else-if="page && !frame" :job="page.job" />
  <p v-else-if="open.error.value" class="page wrong" role="alert">
    {{ words(open.error.value) }} <RouterLink :to="`/jobs/${job}/shape`">Back to the parts</RouterLink>
  </p>
  <div v-else-if="page && open.doc.value && open.worked.value && open.view.value" class="bench">
    <FrameStrip :id="frame!" :open="open" :page="page" :job="job" />
    <div class="side">
      <nav class="sheets" aria-label="Frame">
        <RouterLink
          v-for="s in sheets"
          :key="s.key"
          :to="`/jobs/${job}/shape/frame/${frame}${s.key ? '/' + s.key : ''}`"
          :class="{ on: here === s.key }"
          :aria-current="here === s.key ? 'page' : undefined"
          replace
          >{{ s.name }}</RouterLink
        >
      </nav>
      <div class="scroll">
        <BuildSheet v-if="here === ''" :open="open" />
        <LoadSheet v-else-if="here === 'loads'" :open="open" />
        <HoldSheet v-else-if="here === 'strength'" :open="open" />
        <CutSheet v-else :open="open" />
      </div>
    </div>
    <div class="drawn">
      <FrameView
        :worked="open.worked.value"
        :chosen="open.chosen.value"
        :bends="scale"
        :arrows="over.loads"
        :stands="over.supports"
        :from="joining"
        :loose="loose"
        :grain="open.style.value.grain"
        :numbers="welding.numbers.value"
        :runs="welding.lines.value"
        @move="moved"
        @choose="took"
      />
      <div class="under">
        <button type="button" class="verdict" @click="router.replace(`/jobs/${job}/shape/frame/${frame}/strength`)">
          <VerdictLine :utilisation="open.worked.value.hold.use" :verdict="open.worked.value.hold.verdict" label="the frame" />
        </button>
        <span v-for="f in open.worked.value.figures.filter((x) => x.key !== 'paint')" :key="f.key" class="small">
          <span class="soft">{{ f.name }}</span> <b class="num">{{ f.text }}</b>
          <WhyButton v-if="f.working && f.key === 'mass'" name="mass and centre of gravity" :working="f.working" />
        </span>
        <button
          type="button"
          class="press tight"
          :aria-pressed="joining !== undefined"
          @click="joining = joining === undefined ? '' : undefined"
        >
          {{ joinWord }}
        </button>
        <ChoiceRow v-model="scale" label="Movement drawn" :choices="scales" />
        <OrderPress v-if="open.worked.value.welds?.length" :welding="welding" />
        <button
          v-if="findings.length"
          type="button"
          class="press tight"
          :aria-expanded="flagsOpen"
          @click="flagsOpen = !flagsOpen"
        >
          {{ findings.length === 1 ? '1 flag' : `${findings.length} flags` }}
        </button>
      </div>
      <div v-if="shownFlags.length" class="flags" tabindex="0" role="region" aria-label="Flags">
        <FlagList
          :findings="shownFlags"
          @look="(id) => (open.chosen.value = id.split('~')[0]!)"
          @aside="(f, reason) => aside(f, reason)"
          @back="(f) => aside(f)"
        />
      </div>
    </div>
  </div>
  <p v-else class="page soft">Fetching the frame.</p>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(420px, 1fr) minmax(0, 1.1fr);
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
}
.bench > :first-child {
  grid-column: 1 / -1;
}
.side {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  border-right: 1px solid var(--rule);
  min-height: 0;
}
.sheets {
  display: flex;
  gap: 4px;
  padding: 0 12px;
  border-bottom: 2px solid var(--ink);
}
.sheets a {
  padding: 12px 14px 9px;
  color: var(--ink-soft);
  text-decoration: none;
  font-family: var(--head);
  font-stretch: 118%;
  font-weight: 600;
  border-bottom: 5px solid transparent;
}
.sheets .on {
  color: var(--ink);
  border-color: var(--ember);
}
.scroll {
  position: relative;
  overflow: auto;
  min-height: 0;
}
.scroll :deep(.sheet) {
  display: grid;
  gap: 22px;
  padding: 16px 16px 60px;
}
.scroll :deep(section) {
  display: grid;
  gap: 8px;
  min-width: 0;
}
.scroll :deep(h2) {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
}
.scroll :deep(.cells) {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
  align-items: end;
}
.scroll :deep(.cells.three) {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}
.drawn {
  display: grid;
  grid-template-rows: minmax(240px, 1fr) auto auto;
  min-height: 0;
  padding: 8px;
  gap: 8px;
}
.under {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: end;
}
.under > .small {
  align-self: baseline;
}
.verdict {
  border: 0;
  background: none;
  padding: 0;
  flex: 1 1 100%;
  min-height: var(--touch);
  cursor: pointer;
  text-align: left;
}
.flags {
  position: relative;
  max-height: 240px;
  overflow: auto;
}
@media (max-width: 1000px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto auto;
    height: auto;
  }
  .drawn {
    grid-row: 2;
  }
  .side {
    grid-row: 3;
  }
  .side {
    border-right: 0;
  }
  .drawn {
    grid-template-rows: minmax(260px, 34dvh) auto auto;
  }
}
</style>
