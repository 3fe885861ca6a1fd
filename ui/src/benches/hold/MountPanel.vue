<script setup lang="ts">
// One bracket: the word, what gives first, every check with its working, what
// the checks leave out, what would help, and how it is mounted.
import { computed } from 'vue'
import type { Held, HoldingView } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import LedgerList from '@/kit/LedgerList.vue'
import TextField from '@/kit/TextField.vue'
import { trustWord } from '@/kit/trust'
import VerdictLine from '@/kit/VerdictLine.vue'
import BesideList from './BesideList.vue'
import BoltDrawing from './BoltDrawing.vue'
import DeviceAsk from './DeviceAsk.vue'
import MountForm from './MountForm.vue'
import SuggestionList from './SuggestionList.vue'
import PictureFrame from '@/kit/PictureFrame.vue'

const props = defineProps<{ open: OpenBrief; at: number; held?: Held; view?: HoldingView; job: string }>()
const mount = computed(() => props.open.brief.value!.mounts![props.at]!)
const devices = computed(() => (mount.value.device ? [mount.value.device] : []))
const result = computed(() => props.held?.result)
const spoken = computed(() => result.value?.checks.filter((c) => c.utilisation != null) ?? [])
const silent = computed(() => result.value?.checks.filter((c) => c.verdict === 'cannot say') ?? [])
</script>

<template>
  <section v-if="held && result" class="stack" :data-verdict="held.verdict">
    <header class="row top">
      <TextField
        class="name"
        label="Bracket"
        :model-value="mount.name"
        @update:model-value="(v) => open.set(`/mounts/${at}/name`, v)"
      />
      <slot />
    </header>
    <div class="big">
      <VerdictLine
        big
        :utilisation="held.verdict === 'cannot say' ? null : result.hardest"
        :verdict="held.verdict"
        :label="mount.name"
      />
      <p v-if="result.first" class="first">
        <strong>{{ result.first }}</strong> gives first<template v-if="result.case">: {{ result.case }}</template
        >.
      </p>
      <p v-if="silent.length" class="why">
        <b>{{ silent.length === 1 ? 'One thing' : `${silent.length} things` }} cannot be said.</b> {{ silent[0]!.name }}:
        {{ silent[0]!.why }}
      </p>
      <p v-if="held.least && held.least.trust !== 'measured'" class="least">
        Rests on the {{ held.least.name }}, {{ trustWord(held.least.trust) }}.
      </p>
    </div>
    <DeviceAsk :open="open" :devices="devices" />
    <BesideList :beside="held.beside" />
    <SuggestionList :open="open" :at="at" :held="held" :job="job" />
    <div class="two">
      <div>
        <h2>All it must answer</h2>
        <LedgerList :checks="result.checks" />
      </div>
      <div v-if="spoken.length">
        <PictureFrame name="bolts">
          <BoltDrawing
            :part="mount.part"
            :result="result"
            :fasten="mount.hold.fasten ?? []"
            :carry="mount.hold.carry ?? []"
            :unit="open.style.value"
          />
        </PictureFrame>
        <p v-if="held.moves" class="small">The carrying holes move {{ held.moves }} along that load.</p>
        <p v-if="result.icrCoefficient != null" class="soft small">
          By the instantaneous centre the group carries {{ result.icrCoefficient.toFixed(2) }} times one bolt.
        </p>
        <p v-for="f in result.findings" :key="f.code + f.reason" class="finding" :class="f.severity">
          <strong>{{ f.severity }}</strong> {{ f.reason }}
        </p>
      </div>
    </div>
    <MountForm :open="open" :at="at" :view="view" />
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
.big {
  display: grid;
  gap: 8px;
}
.first,
.why {
  font-size: 1.05rem;
}
.least {
  color: var(--mind);
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 28px;
}
.finding {
  margin-top: 8px;
  border-left: 4px solid var(--rule-strong);
  padding: 2px 10px;
  font-size: 0.92rem;
}
.finding.mind {
  border-color: var(--mind);
}
.finding.stop {
  border-color: var(--stop);
  background: var(--stop-wash);
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
