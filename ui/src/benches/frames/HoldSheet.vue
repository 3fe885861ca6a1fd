<script setup lang="ts">
// Will the frame hold: the word, what works hardest, what moves, what shakes,
// and which section would do.
import { useAmounts } from '@/kit/amounts'
import { computed, ref } from 'vue'
import type { MemberHeld } from '@/api/client'
import LedgerList from '@/kit/LedgerList.vue'
import PickOne from '@/kit/PickOne.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'
import BesideList from '@/benches/hold/BesideList.vue'
import DiagramPlot from './DiagramPlot.vue'
import SectionTable from './SectionTable.vue'
import TradeTable from './TradeTable.vue'
import type { OpenFrame } from './useFrame'
import PictureFrame from '@/kit/PictureFrame.vue'
import TableFrame from '@/kit/TableFrame.vue'

const { mass } = useAmounts()
const props = defineProps<{ open: OpenFrame }>()
const hold = computed(() => props.open.worked.value!.hold)
const all = ref(false)
const ranked = computed(() => [...hold.value.members].sort((a, b) => (b.use ?? -1) - (a.use ?? -1)))
const shown = computed(() => (all.value ? ranked.value : ranked.value.slice(0, 6)))
const chosen = computed<MemberHeld | undefined>(
  () => hold.value.members.find((m) => m.id === props.open.chosen.value) ?? ranked.value[0],
)
const checks = computed(() => hold.value.ledger.filter((c) => c.feature === chosen.value?.id))
const silent = computed(() => hold.value.ledger.filter((c) => c.verdict === 'cannot say'))
const others = computed(() => hold.value.ledger.filter((c) => !hold.value.members.some((m) => m.id === c.feature)))
const stocks = computed(() => props.open.worked.value!.stocks.map((s) => ({ value: s, text: s })))
const stock = ref('')
</script>

<template>
  <div class="sheet">
    <section>
      <p v-if="hold.why" class="says-why" role="status"><b>cannot say</b> {{ hold.why }}</p>
      <template v-else>
        <VerdictLine
          big
          :utilisation="hold.verdict === 'cannot say' ? null : hold.use"
          :verdict="hold.verdict"
          label="the frame"
        />
        <p v-if="silent.length" class="unsaid">
          <b>{{ silent.length === 1 ? 'One thing' : `${silent.length} things` }} cannot be said.</b> {{ silent[0]!.name
          }}<template v-if="silent[0]!.where">, {{ silent[0]!.where }}</template
          >: {{ silent[0]!.why }}
        </p>
        <p class="figures">
          <span
            >moves <b class="num">{{ hold.most }}</b><template v-if="hold.wanted"> of {{ hold.wanted }}</template>
            <WhyButton v-if="hold.moves.working" name="how far it moves" :working="hold.moves.working"
          /></span>
          <span v-if="hold.hertz[0]"
            >swings at <b class="num">{{ hold.hertz[0] }}</b></span
          >
          <span
            >carries <b class="num">{{ mass(hold.carries, 0) }}</b></span
          >
        </p>
        <p v-if="hold.hardest" class="small">Hardest: {{ hold.hardest }}.</p>
        <p class="soft small">Moves most on {{ hold.moves.member || 'a member' }}, {{ hold.moves.case }}.</p>
        <p v-if="hold.stable" class="soft small">
          {{
            hold.stable.result.name.includes('at least')
              ? 'Before it buckles as a whole it bears at least'
              : 'Before it buckles as a whole it bears'
          }}
          <b class="num">{{ hold.stable.result.value.toFixed(hold.stable.result.value < 10 ? 1 : 0) }}</b> times its loads.
          <WhyButton name="buckling of the whole frame" :working="hold.stable" />
        </p>
        <p v-if="hold.lift" class="small">{{ hold.lift }}.</p>
        <BesideList :beside="hold.beside" />
      </template>
      <ul v-if="hold.findings?.length" class="minds">
        <li v-for="f in hold.findings" :key="f.reason">{{ f.reason }}</li>
      </ul>
    </section>
    <template v-if="!hold.why">
      <section>
        <h2>Hardest first</h2>
        <button
          v-for="m in shown"
          :key="m.id"
          type="button"
          class="member"
          :class="{ on: m.id === chosen?.id }"
          :aria-pressed="m.id === chosen?.id"
          @click="open.choose(m.id)"
        >
          <span>{{ m.name }}</span>
          <VerdictLine :utilisation="m.use" :verdict="m.verdict" :label="m.name" />
        </button>
        <button v-if="ranked.length > 6" type="button" class="press tight" @click="all = !all">
          {{ all ? 'Only the hardest' : `All ${ranked.length} members` }}
        </button>
      </section>
      <section v-if="chosen">
        <h2>{{ chosen.name }}</h2>
        <LedgerList :checks="checks" />
        <PictureFrame name="diagram">
          <DiagramPlot :along="chosen.along" />
        </PictureFrame>
      </section>
      <section v-if="others.length">
        <h2>Plates, ears and the whole</h2>
        <LedgerList :checks="others" />
      </section>
      <section>
        <h2>Another section</h2>
        <PickOne
          label="Try in all members of"
          :choices="[{ value: '', text: 'choose' }, ...stocks]"
          :model-value="stock"
          @update:model-value="(v) => (stock = v)"
        />
        <SectionTable v-if="stock" :open="open" :stock="stock" @taken="(s) => (stock = s)" />
      </section>
      <section>
        <h2>Another metal</h2>
        <TradeTable :open="open" />
      </section>
      <section>
        <h2>What holds it takes</h2>
        <TableFrame name="What holds it takes">
          <thead>
            <tr>
              <th>at</th>
              <th>at rest, up</th>
              <th>worst</th>
              <th>in the case</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="s in hold.stands" :key="s.point">
              <td>{{ s.name }}</td>
              <td class="num">{{ s.rest }}</td>
              <td class="num" :title="s.six.join(', ')">
                {{ s.worst }} <WhyButton v-if="s.working" :name="`what ${s.name} takes`" :working="s.working" />
              </td>
              <td class="small">{{ s.case }}<b v-if="s.lifts"> It is pulled up in some case: bolt it.</b></td>
            </tr>
          </tbody>
        </TableFrame>
      </section>
      <section>
        <h2>Natural frequencies <WhyButton v-if="hold.swings" name="natural frequencies" :working="hold.swings" /></h2>
        <p class="soft small">What it carries swings with it at its own height; its own parts are taken as stiff.</p>
        <p v-for="(m, i) in hold.modes" :key="i" class="mode" :class="m.verdict">
          <b class="num">{{ hold.hertz[i] }}</b> {{ m.says }}
        </p>
      </section>
    </template>
    <p v-for="c in open.worked.value!.cautions" :key="c" class="soft small">{{ c }}</p>
  </div>
</template>

<style scoped>
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  font-size: 1.1rem;
}
.says-why b {
  display: block;
  font-size: 1.3rem;
}
.minds {
  margin: 8px 0 0;
  padding: 8px 12px 8px 26px;
  background: var(--mind-wash);
  border-left: 4px solid var(--mind);
}
.member {
  display: grid;
  grid-template-columns: minmax(90px, 1fr) minmax(0, 2fr);
  gap: 10px;
  align-items: center;
  width: 100%;
  min-height: var(--touch);
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  text-align: left;
  cursor: pointer;
}
.member.on {
  background: var(--ember-wash);
  border-left: 4px solid var(--ember);
  padding-left: 8px;
}
.unsaid {
  font-size: 1.05rem;
}
.mode.tight {
  border-left: 4px solid var(--mind);
  padding-left: 10px;
}
</style>
