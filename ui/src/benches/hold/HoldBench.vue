<script setup lang="ts">
// Will it hold: the brackets of the job and the devices that stand on them.
import { Plus, Trash2 } from '@lucide/vue'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { type HoldingView, words } from '@/api/client'
import { newId } from '@/api/ids'
import { useFrames, useHolding } from '@/api/queries'
import { useRail } from '@/device'
import DocumentBar from '@/documents/DocumentBar.vue'
import RulesNotice from '@/jobs/RulesNotice.vue'
import { useBrief } from '@/jobs/useBrief'
import { useAmounts } from '@/kit/amounts'
import AssemblyPanel from './AssemblyPanel.vue'
import DutyPanel from './DutyPanel.vue'
import DeviceAsk from './DeviceAsk.vue'
import FeetPanel from './FeetPanel.vue'
import HardwarePanel from './HardwarePanel.vue'
import JointPanel from './JointPanel.vue'
import MountPanel from './MountPanel.vue'
import PathPanel from './PathPanel.vue'
import WeldedPanel from './WeldedPanel.vue'
import WeldOrder from './WeldOrder.vue'
import { blankJoint } from './blankJoint'
import { blankMount } from './blankMount'
import { blankWelded } from './blankWelded'
import { percent } from '@/kit/percent'
import { mayGo } from '@/documents/leaving'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ job: string }>()
const open = useBrief(() => props.job)
const { mass } = useAmounts(() => open.style.value.unit !== 'mm')
const { data: view, error: trouble } = useHolding(() => props.job)
const { data: frames } = useFrames(() => props.job)
const joints = computed(() => open.brief.value?.joints ?? [])
const bolted = (id: string) => view.value?.holding.joints.find((j) => j.id === id)
const welded = computed(() => open.brief.value?.welded ?? [])
const seamed = (id: string) => view.value?.holding.welded.find((w) => w.id === id)
/** What it uses, where that is what decides: a seam that opens is over whatever it uses. */
const seamShare = (id: string) => {
  const w = seamed(id)
  const u = w?.result?.hardest ?? 0
  return !w || w.verdict === 'cannot say' || (w.verdict === 'over' && u < 1) ? '' : share(u)
}
const weldAt = computed(() => welded.value.findIndex((w) => w.id === chosen.value))
const jointAt = computed(() => joints.value.findIndex((j) => j.id === chosen.value))
const all = 'all together'
const path = 'load path'
const hardware = 'hardware'
const duties = 'duties'
const rail = useRail()
const chosen = ref('')
const mounts = computed(() => open.brief.value?.mounts ?? [])
const devices = computed(() => open.brief.value?.devices ?? [])
const held = (id: string) => view.value?.holding.mounts.find((m) => m.mount.id === id)
const standing = computed(() => view.value?.holding.devices.find((d) => d.device.id === chosen.value))
const at = computed(() => mounts.value.findIndex((m) => m.id === chosen.value))
watch(
  [mounts, devices, joints, welded, () => open.brief.value],
  () => {
    if (!open.brief.value) return
    if (
      ![all, path, hardware, duties].includes(chosen.value) &&
      !chosen.value.startsWith('order ') &&
      ![...mounts.value, ...joints.value, ...welded.value, ...devices.value].some((x) => x.id === chosen.value)
    )
      chosen.value = mounts.value[0]?.id ?? joints.value[0]?.id ?? welded.value[0]?.id ?? devices.value[0]?.id ?? all
  },
  { immediate: true },
)
watch(
  view,
  (v) =>
    (rail.over =
      (v?.holding.mounts.filter((m) => m.verdict === 'over').length ?? 0) +
      (v?.holding.joints.filter((j) => j.result?.verdict === 'over').length ?? 0) +
      (v?.holding.welded.filter((w) => w.verdict === 'over').length ?? 0)),
  { immediate: true },
)

function add() {
  const m = blankMount(
    newId(),
    open.page.value!.parts[0],
    devices.value[0],
    view.value?.features ?? [],
    open.brief.value!.unit !== 'mm',
  )
  open.set('/mounts', [...mounts.value, m])
  void choose(m.id)
}
function addJoint() {
  const j = blankJoint(newId(), open.page.value!.parts[0], view.value?.features ?? [], open.brief.value!.unit !== 'mm')
  open.set('/joints', [...joints.value, j])
  void choose(j.id)
}
function addWelded() {
  const w = blankWelded(newId(), open.page.value!.parts[0], view.value?.edges ?? [], open.brief.value!.unit !== 'mm')
  open.set('/welded', [...welded.value, w])
  void choose(w.id)
}
function weldTouching(t: HoldingView['touching'][number]) {
  const w = { ...t.joint, id: newId(), seams: t.joint.seams?.map((s) => ({ ...s, id: newId() })) }
  open.set('/welded', [...welded.value, w])
  void choose(w.id)
}
// What is chosen is read from its top, also where the list stands over it.
const panel = useTemplateRef('panel')
async function choose(id: string) {
  chosen.value = id
  await nextTick()
  const top = panel.value?.getBoundingClientRect().top ?? 0
  if (top < 0 || top > innerHeight / 2) panel.value?.scrollIntoView()
}
const rated = computed(() => {
  const n = open.brief.value?.duties?.length ?? 0
  return n === 0 ? 'nothing is rated yet' : n === 1 ? 'one' : String(n)
})
/** Frames and bodies, whose welds are put in order. */
const welding = computed(() => view.value?.weldings ?? [])
const ordered = computed(() => welding.value.find((w) => chosen.value === `order ${w.id}`)?.id)
const share = (u: number | null | undefined) => (u == null ? '' : `${percent(u)} %`)
const lists = { mounts, joints, welded }
async function leave(list: keyof typeof lists, at: number) {
  const { id, name } = lists[list].value[at]!
  if (!(await mayGo(id, name || 'It'))) return
  const now = lists[list].value.findIndex((x) => x.id === id)
  if (now >= 0) open.set(`/${list}/${now}`, undefined)
}
// Those of the panels that say at their head what they are about.
const titled = computed(
  () =>
    chosen.value === all || chosen.value === duties || (view.value && [path, hardware].includes(chosen.value)) || standing.value,
)
const asked = computed(
  () => mounts.value[at.value]?.name || joints.value[jointAt.value]?.name || welded.value[weldAt.value]?.name || 'What holds',
)
</script>

<template>
  <p v-if="open.error.value" class="page wrong" role="alert">
    {{ words(open.error.value) }} <RouterLink to="/jobs">Back to the jobs</RouterLink>
  </p>
  <div v-else-if="open.brief.value && open.page.value" class="hold">
    <aside class="list" aria-label="Brackets and devices">
      <h2>Brackets</h2>
      <button
        v-for="m in mounts"
        :key="m.id"
        type="button"
        class="pick"
        :class="{ on: m.id === chosen }"
        :aria-pressed="m.id === chosen"
        @click="choose(m.id)"
      >
        <span>{{ m.name || 'No name yet' }}</span>
        <span class="says" :class="held(m.id)?.verdict.replace(' ', '-')"
          >{{ held(m.id)?.verdict }} {{ share(held(m.id)?.result.hardest) }}</span
        >
      </button>
      <p v-if="!mounts.length" class="soft">
        Nothing is asked yet. A bracket is a part that is bolted on and carries the feet of a device.
      </p>
      <button type="button" class="press tight" :disabled="!open.page.value.parts.length" @click="add">
        <Plus :size="18" aria-hidden="true" />Ask about a bracket
      </button>
      <p v-if="!open.page.value.parts.length" class="soft small">
        <RouterLink :to="`/jobs/${job}/shape`">Shape a part</RouterLink> first.
      </p>
      <h2>Bolted joints</h2>
      <button
        v-for="j in joints"
        :key="j.id"
        type="button"
        class="pick"
        :class="{ on: j.id === chosen }"
        :aria-pressed="j.id === chosen"
        @click="choose(j.id)"
      >
        <span>{{ j.name || 'No name yet' }}</span>
        <span class="says" :class="(bolted(j.id)?.result?.verdict ?? 'cannot say').replace(' ', '-')"
          >{{ bolted(j.id)?.result?.verdict ?? 'cannot say' }}
          {{ bolted(j.id)?.result?.verdict === 'cannot say' ? '' : share(bolted(j.id)?.result?.hardest) }}</span
        >
      </button>
      <p v-if="!joints.length" class="soft small">Plies, bolts, how tight, and what keeps it so.</p>
      <button type="button" class="press tight" @click="addJoint"><Plus :size="18" aria-hidden="true" />Work a joint out</button>
      <h2>Welded joints</h2>
      <button
        v-for="w in welded"
        :key="w.id"
        type="button"
        class="pick"
        :class="{ on: w.id === chosen }"
        :aria-pressed="w.id === chosen"
        @click="choose(w.id)"
      >
        <span>{{ w.name || 'No name yet' }}</span>
        <span class="says" :class="(seamed(w.id)?.verdict ?? 'cannot say').replace(' ', '-')"
          >{{ seamed(w.id)?.verdict ?? 'cannot say' }} {{ seamShare(w.id) }}</span
        >
      </button>
      <p v-if="!welded.length" class="soft small">Seams between two things: legs, sides, stitches, and what would help.</p>
      <button type="button" class="press tight" @click="addWelded"><Plus :size="18" aria-hidden="true" />Weld two things</button>
      <div v-for="t in view?.touching ?? []" :key="t.name" class="touch">
        <p class="soft small">
          <b>{{ t.name }}</b> touch: {{ t.says }}.
        </p>
        <button type="button" class="press tight" @click="weldTouching(t)">Weld them</button>
      </div>
      <h2>Frames</h2>
      <RouterLink v-for="f in frames ?? []" :key="f.id" class="pick" :to="`/jobs/${job}/shape/frame/${f.id}/strength`">
        <span>{{ f.name }}</span>
        <span class="says" :class="f.verdict.replace(' ', '-')">{{ f.verdict }} {{ share(f.use) }}</span>
      </RouterLink>
      <p v-if="!frames?.length" class="soft small">
        <RouterLink :to="`/jobs/${job}/shape/frame`">Start a frame</RouterLink> of tube, angle or bar.
      </p>
      <h2>All of it</h2>
      <button type="button" class="pick" :class="{ on: chosen === all }" :aria-pressed="chosen === all" @click="choose(all)">
        <span>Mass and balance</span>
      </button>
      <button
        type="button"
        class="pick"
        :class="{ on: chosen === duties }"
        :aria-pressed="chosen === duties"
        @click="choose(duties)"
      >
        <span>Duties</span>
        <span class="soft">{{ rated }}</span>
      </button>
      <template v-if="joints.length || welded.length">
        <button type="button" class="pick" :class="{ on: chosen === path }" :aria-pressed="chosen === path" @click="choose(path)">
          <span>Load path</span>
        </button>
        <button
          type="button"
          class="pick"
          :class="{ on: chosen === hardware }"
          :aria-pressed="chosen === hardware"
          @click="choose(hardware)"
        >
          <span>Hardware</span>
        </button>
      </template>
      <template v-if="welding.length">
        <h2>How they are welded</h2>
        <button
          v-for="w in welding"
          :key="w.id"
          type="button"
          class="pick"
          :class="{ on: chosen === `order ${w.id}` }"
          :aria-pressed="chosen === `order ${w.id}`"
          @click="choose(`order ${w.id}`)"
        >
          <span>{{ w.name }}</span>
          <span class="soft">tacks, order, weld map</span>
        </button>
      </template>
      <h2>On their feet</h2>
      <button
        v-for="d in devices"
        :key="d.id"
        type="button"
        class="pick"
        :class="{ on: d.id === chosen }"
        :aria-pressed="d.id === chosen"
        @click="choose(d.id)"
      >
        <span>{{ d.name || 'No name yet' }}</span>
        <span class="soft">{{ d.mass ? mass(d.mass.value) : 'mass not known' }}</span>
      </button>
      <p v-if="!devices.length" class="soft small">
        <RouterLink :to="`/jobs/${job}/measure`">Say what is carried</RouterLink>: mass, centre of gravity, feet.
      </p>
    </aside>
    <div ref="panel" class="page wide">
      <h1 v-if="at >= 0 || jointAt >= 0 || weldAt >= 0 || !titled" class="hidden-label">{{ asked }}</h1>
      <DocumentBar :open="open" of="The brief:" />
      <RulesNotice :job="job" :rules="view?.rules" />
      <p v-if="trouble" class="wrong" role="alert">{{ words(trouble) }}</p>
      <MountPanel v-if="at >= 0" :key="chosen" :open="open" :at="at" :held="held(chosen)" :view="view" :job="job">
        <IconPress :icon="Trash2" name="Ask no more about this bracket" @click="leave('mounts', at)" />
      </MountPanel>
      <JointPanel
        v-else-if="jointAt >= 0"
        :key="chosen"
        :open="open"
        :at="jointAt"
        :told="bolted(chosen)"
        :view="view"
        :job="job"
      >
        <IconPress :icon="Trash2" name="Remove this joint" @click="leave('joints', jointAt)" />
      </JointPanel>
      <WeldedPanel v-else-if="weldAt >= 0" :key="chosen" :open="open" :at="weldAt" :told="seamed(chosen)" :view="view" :job="job">
        <IconPress :icon="Trash2" name="Remove this welded joint" @click="leave('welded', weldAt)" />
      </WeldedPanel>
      <WeldOrder v-else-if="ordered" :key="chosen" :open="open" :of="ordered" :job="job" titled />
      <AssemblyPanel v-else-if="chosen === all" :job="job" />
      <PathPanel v-else-if="chosen === path && view" :path="view.holding.path" :job="job" @joint="choose" />
      <DutyPanel v-else-if="chosen === duties" :open="open" :view="view" :job="job" />
      <HardwarePanel v-else-if="chosen === hardware && view" :open="open" :holding="view.holding" />
      <template v-else-if="standing">
        <DeviceAsk :open="open" :devices="[chosen]" />
        <FeetPanel :key="chosen" :standing="standing" />
      </template>
      <p class="soft small">The program helps to design and approves nothing: local rules and a licensed engineer decide.</p>
    </div>
  </div>
  <p v-else class="page soft">Fetching the job.</p>
</template>

<style scoped>
.hold {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  min-height: 100%;
}
.list {
  border-right: 1px solid var(--rule);
  padding: 18px 0;
  display: grid;
  gap: 6px;
  align-content: start;
  align-self: start;
  position: sticky;
  top: 0;
  height: 100dvh;
  overflow-y: auto;
  grid-auto-rows: max-content;
}
.list > h2,
.list > p {
  padding: 8px 14px 0;
}
.touch {
  padding: 0 14px 8px;
  display: grid;
  gap: 4px;
}
.touch > .press {
  justify-self: start;
}
.list > .press {
  margin: 4px 14px 10px;
}
.pick {
  display: grid;
  gap: 2px;
  text-align: left;
  padding: 8px 14px;
  min-height: 56px;
  align-content: center;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  cursor: pointer;
  overflow-wrap: anywhere;
}
a.pick {
  color: inherit;
  text-decoration: none;
}
.pick > :first-child {
  font-weight: 560;
}
.on {
  background: var(--sheet);
  border-left-color: var(--ember);
}
.says.over {
  color: var(--stop);
  font-weight: 640;
}
.says.tight {
  color: var(--mind);
  font-weight: 640;
}
.says.cannot-say {
  font-style: italic;
}
.wide {
  max-width: none;
  margin: 0;
  align-content: start;
}
@media (max-width: 900px) {
  .hold {
    grid-template-columns: minmax(0, 1fr);
  }
  .list {
    position: static;
    height: auto;
    border-right: 0;
    border-bottom: 2px solid var(--rule);
    grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  }
  .list > :not(.pick) {
    grid-column: 1 / -1;
  }
}
</style>
