<script setup lang="ts">
// One bolted joint: does it hold, what bolt it takes, how tight, what keeps it
// so; and how it is made.
import { percent } from '@/kit/percent'
import { alter } from '@/documents/alter'
import { useAmounts } from '@/kit/amounts'
import { ArrowDown, ArrowUp } from '@lucide/vue'
import { computed, ref } from 'vue'
import { type BoltedJoint, type BoltedTold, type Fix, type HoldingView, words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { paperOf } from '@/jobs/paper'
import { newId } from '@/api/ids'
import { at as read, put } from '@/api/pointer'
import { refreshJobs } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import FlagList from '@/kit/FlagList.vue'
import LedgerList from '@/kit/LedgerList.vue'
import TextField from '@/kit/TextField.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from '@/quick/Shown.vue'
import BesideList from './BesideList.vue'
import { flipped } from './flipped'
import JointBolts from './JointBolts.vue'
import JointCases from './JointCases.vue'
import JointForm from './JointForm.vue'
import JointPlies from './JointPlies.vue'
import DeviceAsk from './DeviceAsk.vue'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ open: OpenBrief; at: number; told?: BoltedTold; view?: HoldingView; job: string }>()
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
const result = computed(() => props.told?.result ?? undefined)
const spoken = computed(() => result.value?.checks.filter((c) => c.utilisation != null) ?? [])
const silent = computed(() => result.value?.checks.filter((c) => c.verdict === 'cannot say') ?? [])
const { force } = useAmounts()
const inches = computed(() => props.open.style.value.unit !== 'mm')
const torque = (nmm: number) => {
  const metric = `${(nmm / 1000).toPrecision(3)} N·m`
  return inches.value ? `${(nmm / 1355.818).toPrecision(3)} lbf·ft, ${metric}` : metric
}
const meets = { always: 'always meet', mostly: 'mostly meet', no: 'do not meet', 'cannot say': 'cannot be said to meet' }
const hard = computed(() => props.told?.reach.filter((r) => r.reach !== 'reachable') ?? [])
const shut = computed(() => props.told?.reach.filter((r) => r.later) ?? [])
const undrilled = computed(() => props.told?.reach.filter((r) => r.drill) ?? [])
const past = computed(() =>
  props.view?.places.some((p) => p.part && p.part === joint.value.part)
    ? 'Tried past the part, what is placed round it by then, and the spaces of the survey.'
    : 'Tried past the part itself: place it on the Measure bench, and what stands round it is tried too.',
)
type Way = BoltedTold['reach'][number]['ways'][number]
/** What one press does. */
const taken = (w: Way) =>
  ['flip', 'head'].includes(w.kind) ||
  (w.kind === 'captive' && !['weldnut', 'rivetnut', 'tapped', 'slotnut'].includes(joint.value.design.nut)) ||
  w.before ||
  w.cut
const joints = computed(() => props.open.brief.value!.joints!)
/** Fits this joint at another step of the order. */
function move(to: number) {
  const list = joints.value.filter((_, i) => i !== props.at)
  list.splice(to, 0, joint.value)
  props.open.set('/joints', list)
}
const said = ref('')
/** Cuts an access hole into the part that is in the way: a change of that part, undone there. */
async function cut(hole: NonNullable<Way['cut']>) {
  try {
    const made = await alter('part', hole.part, (p) => {
      const list = (read(p.recipe, hole.path) as unknown[] | undefined) ?? []
      return { ...p, recipe: put(p.recipe, hole.path, [...list, { ...hole.hole, id: newId() }]) }
    })
    said.value = `An access hole is cut in ${made.state.name}: see it, or undo it, on the Shape bench.`
    refreshJobs()
  } catch (e) {
    wrong.value = words(e)
  }
}
function take(w: Way) {
  if (w.before) return move(joints.value.findIndex((j) => j.id === w.before))
  if (w.cut) return void cut(w.cut)
  const j = w.flip ? flipped(joint.value) : joint.value
  const design = { ...j.design }
  if (w.kind === 'captive') design.nut = 'weldnut'
  if (w.kind === 'head') design.head = w.socket ? 'socket' : undefined
  props.open.set(`/joints/${props.at}`, {
    ...j,
    design,
  } satisfies BoltedJoint)
}
function mend(fix: Fix) {
  let design = JSON.parse(JSON.stringify(joint.value.design)) as BoltedJoint['design']
  for (const e of fix.edits) design = put(design, e.path, e.value)
  props.open.set(`/joints/${props.at}/design`, design)
}
const wrong = ref('')
/** The devices on one of its sides or that stand on it. */
const devices = computed(() => (joint.value.sides ?? []).filter((x) => x.kind === 'device').map((x) => x.of ?? ''))
async function print() {
  wrong.value = ''
  try {
    await props.open.send()
    await fetchFile(`/api/v1/jobs/${props.job}/torque-sheet?paper=${paperOf(inches.value)}`)
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <section v-if="told" class="stack" :data-verdict="result?.verdict ?? 'cannot say'">
    <header class="row top">
      <TextField
        class="name"
        label="Joint"
        :model-value="joint.name"
        @update:model-value="(v) => open.set(`/joints/${at}/name`, v)"
      />
      <span v-if="joints.length > 1" class="order" role="group" aria-label="Order of fitting">
        <span class="small soft">fitted {{ at + 1 }} of {{ joints.length }}</span>
        <IconPress :icon="ArrowUp" :disabled="at === 0" name="Fit it earlier" @click="move(at - 1)" />
        <IconPress :icon="ArrowDown" :disabled="at === joints.length - 1" name="Fit it later" @click="move(at + 1)" />
      </span>
      <button type="button" class="press tight" @click="print">Torque sheet of the job</button>
      <slot />
    </header>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="said" class="soft" role="status">{{ said }}</p>
    <DeviceAsk :open="open" :devices="devices" />
    <p v-if="told.why" class="why" role="alert">{{ told.why }}</p>
    <template v-if="result">
      <VerdictLine
        big
        :utilisation="result.verdict === 'cannot say' ? null : result.hardest"
        :verdict="result.verdict"
        :label="joint.name"
      />
      <p v-if="spoken.length && result.verdict !== 'cannot say'" class="why">
        <b>{{ spoken[0]!.name }}</b><template v-if="spoken[0]!.where"> ({{ spoken[0]!.where }})</template> gives first<template
          v-if="spoken[0]!.case"
          >: {{ spoken[0]!.case }}</template
        >.
      </p>
      <p v-if="silent.length" class="why">
        <b>{{ silent.length === 1 ? 'One thing' : `${silent.length} things` }} cannot be said.</b> {{ silent[0]!.name
        }}<template v-if="silent[0]!.where"> of {{ silent[0]!.where }}</template
        >: {{ silent[0]!.why }}
      </p>
      <BesideList :beside="told.beside" />
      <section v-if="told.suggestions.length" class="help" data-suggestions>
        <h2>What would help</h2>
        <div v-for="s in told.suggestions" :key="s.text" class="row">
          <span
            >{{ s.text }}: <b class="num">{{ s.hardest == null ? '' : `${percent(s.hardest)} %` }}</b> {{ s.verdict }}</span
          >
          <button type="button" class="press tight" @click="open.set(`/joints/${at}/design`, s.input)">Take it</button>
        </div>
      </section>
      <dl class="facts">
        <div>
          <dt>Take</dt>
          <dd v-for="h in result.hardware" :key="h.name">{{ h.count }} × {{ h.name }}</dd>
          <dd v-if="(joint.stands?.length ?? 0) > 1" class="small soft">at each of {{ joint.stands!.length }} places</dd>
        </div>
        <div v-if="result.tight">
          <dt>Tighten to <WhyButton name="Torque" :working="result.tight.working" /></dt>
          <dd class="num lead" data-torque>{{ torque(result.tight.torque) }}</dd>
          <dd class="small soft">
            K {{ result.tight.factor }}; preload {{ force(result.tight.least) }} to
            {{ force(result.tight.most) }}
          </dd>
        </div>
        <div v-if="result.grip">
          <dt>Grip <WhyButton name="Grip" :working="result.grip.working" /></dt>
          <dd class="num"><Shown :value="result.grip.grip" kind="length" :lengths="open.style.value" /></dd>
          <dd v-if="result.grip.length" class="small soft">{{ result.grip.threads.toFixed(1) }} threads past the nut</dd>
        </div>
        <div v-if="told.reach.length" data-reach>
          <dt>Tools</dt>
          <dd v-if="!hard.length">reach every bolt</dd>
          <template v-for="r in hard" :key="r.bolt">
            <dd :class="`reach-${r.reach}`">
              <b>Bolt {{ r.bolt + 1 }} {{ r.reach }}.</b> {{ r.how }}
            </dd>
            <dd v-for="w in r.ways" :key="w.text" class="small">
              {{ w.text }}
              <button v-if="taken(w)" type="button" class="press tight" @click="take(w)">Do it</button>
            </dd>
          </template>
          <dd v-for="r in undrilled" :key="`drill ${r.bolt}`" class="reach-tight small">
            <b>Bolt {{ r.bolt + 1 }}.</b> {{ r.drill }}
          </dd>
          <dd v-for="r in shut" :key="`later ${r.bolt}`" class="reach-tight small">
            <b>Bolt {{ r.bolt + 1 }}.</b> {{ r.later }}
          </dd>
          <dd class="small soft">{{ past }}</dd>
        </div>
        <div v-if="result.meets">
          <dt>The holes <WhyButton name="Holes that meet" :working="result.meets.working" /></dt>
          <dd>{{ meets[result.meets.meets] }}</dd>
        </div>
      </dl>
      <details v-if="told.instead.length" data-instead>
        <summary>What could be taken instead</summary>
        <div v-for="s in told.instead" :key="s.name" class="other">
          <span>
            <b>{{ s.name }}</b>: <span class="num">{{ s.hardest == null ? '' : `${percent(s.hardest)} %` }}</span> {{ s.verdict
            }}<template v-if="s.torque"
              >, tightened to {{ torque(s.torque) }}
              <WhyButton v-if="s.working" :name="`Torque of ${s.name}`" :working="s.working" /></template
            >. <span class="soft">{{ s.note }}</span>
          </span>
          <button type="button" class="press tight" :aria-label="s.fix.label" @click="mend(s.fix)">Take it</button>
        </div>
      </details>
      <div v-if="told.rubber" class="rubber" data-rubber>
        <template v-if="told.rubber.result">
          <span
            >On its isolators it sinks <Shown :value="told.rubber.result.static" kind="length" :lengths="open.style.value" />,
            shakes at <b class="num">{{ told.rubber.result.frequency.toFixed(1) }} Hz</b
            ><template v-if="told.rubber.result.passes != null"
              >, lets <b class="num">{{ (100 * told.rubber.result.passes).toFixed(0) }} %</b> through</template
            >, and wants a sleeve of <Shown :value="told.rubber.result.sleeve" kind="length" :lengths="open.style.value" />.
            <WhyButton name="Isolators" :working="told.rubber.result.working" />
          </span>
          <FlagList :findings="told.rubber.result.findings" firm />
        </template>
        <p v-else class="why">{{ told.rubber.why }}</p>
      </div>
      <div class="two">
        <div>
          <h2>All it must answer</h2>
          <LedgerList :checks="result.checks" />
        </div>
        <div>
          <JointBolts :told="told" :result="result" />
          <template v-if="result.making.length">
            <h2>How its holes are made</h2>
            <ol class="keep" data-making>
              <li v-for="m in result.making" :key="m">{{ m }}</li>
            </ol>
          </template>
          <h2>What keeps it tight</h2>
          <ul class="keep">
            <li v-for="k in result.keep" :key="k">{{ k }}</li>
          </ul>
          <FlagList :findings="result.findings" firm @fix="mend" />
        </div>
      </div>
    </template>
    <JointForm :open="open" :at="at" :view="view" />
    <JointPlies :open="open" :at="at" :told="told" :view="view" />
    <JointCases :open="open" :at="at" :view="view" />
  </section>
  <p v-else class="soft">Working it out.</p>
</template>

<style scoped>
.top {
  align-items: end;
}
.name {
  flex: 1;
  max-width: 420px;
}
.why {
  font-size: 1.05rem;
}
.order {
  display: inline-flex;
  align-items: center;
}
.facts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(210px, 1fr));
  gap: 12px 28px;
  margin: 0;
}
dt {
  color: var(--ink-soft);
  font-size: 0.92rem;
}
dd {
  margin: 0;
}
.lead {
  font-size: 1.5rem;
  font-weight: 680;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 28px;
}
.help {
  display: grid;
  gap: 6px;
}
.help .row {
  justify-content: space-between;
  max-width: 640px;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 4px;
}
summary {
  min-height: 36px;
  cursor: pointer;
}
.other {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 18px;
  align-items: center;
  max-width: 860px;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 4px;
}
.reach-blocked {
  color: var(--stop);
}
.reach-tight {
  color: var(--mind);
}
h2 {
  margin: 10px 0 4px;
}
.keep {
  margin: 0 0 12px;
  padding-left: 18px;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
