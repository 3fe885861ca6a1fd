<script setup lang="ts">
// What things are rated for besides the road: how hard, which way, on what, and
// which brackets, joints and frames were asked under it.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed, ref } from 'vue'
import { type Duty, type HoldingView, words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { paperOf } from '@/jobs/paper'
import { newId } from '@/api/ids'
import { mayBe, shows, wordOf, wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import { useAmounts } from '@/kit/amounts'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import { sideKey } from './sides'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{ open: OpenBrief; view?: HoldingView; job: string }>()
const list = computed(() => props.open.brief.value?.duties ?? [])
const told = (id: string) => props.view?.holding.duties.find((d) => d.id === id)
const fresh = (): Duty => ({ id: newId(), name: '', kind: 'pull', way: [1, 0, 0] })
const duty = (i: number) => props.open.under(() => `/duties/${i}` as const)
/** The numbers a kind asks for, and what else is chosen with it. */
const asks = (d: Duty) => wordOf('Duty', 'kind', d.kind)?.asks ?? []
const has = (d: Duty, field: string) => shows('Duty', 'kind', d.kind, field)
const number = (d: Duty, path: string) => d[path.slice(1) as keyof Duty] as number | undefined
const ways = ['forward', 'left', 'up'] as const
const things = computed(() => [
  { value: '', text: 'choose' },
  ...(props.view?.sides ?? []).filter((s) => s.side.kind !== 'vehicle').map((s) => ({ value: sideKey(s.side), text: s.name })),
])
function put(i: number, key: string) {
  const side = props.view?.sides.find((s) => sideKey(s.side) === key)?.side
  duty(i).set('/on', side)
}
function axis(i: number, path: 'way' | 'net' | 'at', k: number, v: number) {
  const now = [...(list.value[i]![path] ?? [0, 0, 0])]
  now[k] = v ?? 0
  duty(i).set(`/${path}`, now)
}
const { force } = useAmounts()
const wrong = ref('')
async function label(id: string) {
  wrong.value = ''
  try {
    await props.open.send()
    await fetchFile(`/api/v1/jobs/${props.job}/rating-label?duty=${id}&paper=${paperOf(props.open.style.value.unit !== 'mm')}`)
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <section class="stack" data-duties>
    <header class="row">
      <h1>Duties</h1>
    </header>
    <p class="lead">
      What a thing is rated for besides the road. Every bracket, joint and frame under it is asked, and answers name the duty that
      governs. Forces are typed as they are; the strength school's factors come on top. Lifting people or loads and fall arrest
      are none: they need rated, tested gear.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <CardList
      :rows="list"
      word="this duty"
      :name="(d) => d.name"
      add="Rate something"
      :make="fresh"
      @change="(v) => open.set('/duties', v)"
      v-slot="{ row: d, i }"
    >
      <div class="duty" :data-duty="d.id">
        <FieldGrid :min="170" keep>
          <TextField label="Duty" :model-value="d.name" :maxlength="80" @update:model-value="(v) => duty(i).set('/name', v)" />
          <PickOne
            label="It is"
            :choices="wordsOf('Duty', 'kind')"
            :model-value="d.kind"
            @update:model-value="(v) => duty(i).set('/kind', v)"
          />
          <PickOne
            v-if="has(d, 'way')"
            label="It acts on"
            :choices="things"
            :model-value="sideKey(d.on)"
            @update:model-value="(v) => put(i, v)"
          />
          <ValueField
            v-for="a in asks(d)"
            :key="a.path"
            :label="a.label"
            :kind="a.kind"
            :model-value="number(d, a.path) ?? null"
            :lengths="open.style.value"
            :note="a.note"
            :wrong="duty(i).fault(a.path as '/force')"
            @update:model-value="(v) => duty(i).set(a.path as '/force', v ?? undefined)"
          />
          <template v-if="has(d, 'ground')">
            <PickOne
              label="Stuck in"
              :choices="mayBe('Duty', 'ground', 'choose')"
              :model-value="d.ground ?? ''"
              @update:model-value="(v) => duty(i).set('/ground', v || undefined)"
            />
            <ValueField
              v-if="d.kinetic"
              label="Strap breaks at"
              kind="force"
              :model-value="d.breaks ?? null"
              :lengths="open.style.value"
              :wrong="duty(i).fault('/breaks')"
              @update:model-value="(v) => duty(i).set('/breaks', v ?? undefined)"
            />
          </template>
          <template v-if="has(d, 'net')">
            <ValueField
              v-for="(w, k) in ways"
              :key="w"
              :label="`g ${w}`"
              kind="number"
              :model-value="d.net?.[k] ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/duties/${i}/net/${k}`)"
              @update:model-value="(v) => axis(i, 'net', k, v)"
            />
          </template>
          <template v-else>
            <ValueField
              v-for="(w, k) in ways"
              :key="w"
              :label="`Way, ${w}`"
              kind="number"
              :model-value="d.way?.[k] ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/duties/${i}/way/${k}`)"
              @update:model-value="(v) => axis(i, 'way', k, v)"
            />
            <ValueField
              v-for="(w, k) in ways"
              :key="`at ${w}`"
              :label="`Acts at, ${w}`"
              :model-value="d.at?.[k] ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/duties/${i}/at/${k}`)"
              @update:model-value="(v) => axis(i, 'at', k, v)"
            />
          </template>
          <div v-if="has(d, 'pulley')" class="ticks">
            <label class="tick">
              <input type="checkbox" :checked="d.pulley ?? false" @change="duty(i).set('/pulley', !d.pulley || undefined)" />
              it holds a pulley block
            </label>
            <label v-if="has(d, 'kinetic')" class="tick">
              <input type="checkbox" :checked="d.kinetic ?? false" @change="duty(i).set('/kinetic', !d.kinetic || undefined)" />
              by a strap that stretches
            </label>
          </div>
        </FieldGrid>
        <div v-if="told(d.id)" class="says" :data-says="told(d.id)!.verdict">
          <p v-if="told(d.id)!.why" class="why"><b>cannot say</b> {{ told(d.id)!.why }}</p>
          <template v-else>
            <p class="why">
              <b>{{ told(d.id)!.verdict }}</b>
              <template v-if="told(d.id)!.newtons">
                under <span class="num">{{ force(told(d.id)!.newtons) }}</span></template
              >
              <WhyButton v-if="told(d.id)!.working" :name="d.name || 'the duty'" :working="told(d.id)!.working!" />
            </p>
            <ul>
              <li v-for="a in told(d.id)!.asked" :key="a.id">
                {{ a.name || a.kind }}: <b>{{ a.verdict }}</b>
              </li>
            </ul>
          </template>
          <p v-if="told(d.id)!.caution" class="caution">{{ told(d.id)!.caution }}</p>
        </div>
        <div class="row">
          <button type="button" class="press tight" @click="label(d.id)">Rating label</button>
        </div>
      </div>
    </CardList>
    <p v-if="!list.length" class="soft">Nothing is rated yet. A part without a rated duty is not finished.</p>
  </section>
</template>

<style scoped>
.duty {
  display: grid;
  gap: 8px;
}
.ticks {
  display: grid;
  align-content: start;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: var(--touch);
}
.why {
  font-size: 1.1rem;
}
.caution {
  border-left: 4px solid var(--mind);
  background: var(--mind-wash);
  padding: 4px 10px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
