<script setup lang="ts">
// Points on the vehicle: how each was measured, where it works out to be, how
// well that is known.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed, nextTick, ref } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import Frac from '@/kit/Frac.vue'
import PickOne from '@/kit/PickOne.vue'
import ReadingField from '@/kit/ReadingField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { trustWord } from '@/kit/trust'
import WhyButton from '@/kit/WhyButton.vue'
import PointHow from './PointHow.vue'
import SurveyDrawing from './SurveyDrawing.vue'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.points ?? [])
const told = (id: string) => props.open.worked.value?.points.find((p) => p.id === id)
const kinds = computed(() => wordsOf('SurveyPoint', 'kind'))
const shown = ref('') // the one that is open for editing
async function reveal(id: string) {
  shown.value = id
  await nextTick()
  document.getElementById(`point-${id}`)?.scrollIntoView({ block: 'nearest' })
}
function toMap(id: string) {
  const name = props.open.survey.value?.maps?.find((m) => m.id === id)?.name
  document.querySelector(`[data-map="${CSS.escape(name ?? '')}"]`)?.scrollIntoView({ block: 'start' })
}
function blank() {
  shown.value = newId()
  return { id: shown.value, name: '', kind: 'point' as const, way: 'offsets' as const }
}
</script>

<template>
  <div class="stack">
    <p v-if="!list.length" class="soft">Start with a few points you can measure from the datum: an edge, a hole, a bolt.</p>
    <SurveyDrawing :open="open" :chosen="shown" @choose="reveal" @map="toMap" />
    <CardList
      lines
      :rows="list"
      word="point"
      :name="(p) => p.name"
      add="Add a point"
      :make="blank"
      @change="(v) => open.set('/points', v)"
      v-slot="{ row: p, i }"
    >
      <article :id="`point-${p.id}`" class="point" :class="{ shown: shown === p.id }" :data-point="p.name">
        <div class="line">
          <button
            type="button"
            class="press bare name"
            :aria-expanded="shown === p.id"
            @click="shown = shown === p.id ? '' : p.id"
          >
            {{ p.name || 'a point without a name' }}
          </button>
          <template v-if="told(p.id)?.at">
            <dl>
              <div v-for="(w, k) in ['forward', 'left', 'up']" :key="w">
                <dt>{{ w }}</dt>
                <dd class="num"><Frac :text="told(p.id)!.texts[k]!" /></dd>
              </div>
              <div>
                <dt>known to</dt>
                <dd class="num">± <Frac :text="told(p.id)!.within" /></dd>
              </div>
            </dl>
            <span class="trust"
              ><span v-if="told(p.id)!.least && told(p.id)!.least!.trust !== 'measured'" class="mark">{{
                trustWord(told(p.id)!.least!.trust)
              }}</span></span
            >
            <WhyButton v-if="told(p.id)!.working" :name="p.name" :working="told(p.id)!.working!" />
          </template>
          <p v-else class="why small">{{ told(p.id)?.why }}</p>
        </div>
        <div v-if="shown === p.id" class="edit">
          <FieldGrid :min="160">
            <TextField label="Name" :model-value="p.name" @update:model-value="(v) => open.set(`/points/${i}/name`, v)" />
            <PickOne
              label="It is"
              :choices="[...kinds]"
              :model-value="p.kind as 'point'"
              @update:model-value="(v) => open.set(`/points/${i}/kind`, v)"
            />
            <ValueField
              v-if="p.kind === 'hole' || p.kind === 'square'"
              :label="p.kind === 'hole' ? 'Diameter' : 'Side'"
              :model-value="p.size ?? null"
              :lengths="open.style.value"
              :wrong="open.fault(`/points/${i}/size`)"
              @update:model-value="(v) => open.set(`/points/${i}/size`, v)"
            />
            <TextField
              v-if="p.kind === 'thread'"
              label="Thread"
              :model-value="p.thread ?? ''"
              @update:model-value="(v) => open.set(`/points/${i}/thread`, v)"
            />
            <ReadingField
              v-if="p.kind !== 'point' && p.kind !== 'edge'"
              label="Thickness behind"
              :model-value="p.behind"
              :lengths="open.style.value"
              :wrong="(n) => open.fault(`/points/${i}/behind/values/${n}`)"
              @update:model-value="(v) => open.set(`/points/${i}/behind`, v)"
            />
            <TextField
              v-if="p.kind !== 'point' && p.kind !== 'edge'"
              label="What uses it"
              :model-value="p.uses ?? ''"
              @update:model-value="(v) => open.set(`/points/${i}/uses`, v)"
            />
          </FieldGrid>
          <PointHow :open="open" :index="i" :told="told(p.id)" />
        </div>
        <p v-for="f in told(p.id)?.findings ?? []" :key="f.code" class="small find" :class="f.severity">{{ f.reason }}</p>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.point {
  display: grid;
  gap: 6px;
}
.shown {
  border-left: 4px solid var(--ember);
  padding-left: 12px;
}
.line {
  display: grid;
  grid-template-columns: minmax(160px, 1.2fr) minmax(0, 3fr) 96px 48px;
  gap: 4px 12px;
  align-items: center;
}
.name {
  justify-content: flex-start;
  text-align: left;
  padding-left: 0;
}
dl {
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(102px, 1fr));
  gap: 4px 10px;
}
dt {
  font-size: 0.8125rem;
  color: var(--ink-soft);
}
dd {
  margin: 0;
}
.mark {
  color: var(--mind);
  border: 1px dashed var(--mind);
  padding: 0 6px;
  font-size: 0.8125rem;
}
.why {
  grid-column: 2 / 5;
  font-style: italic;
}
.edit {
  display: grid;
  gap: 12px;
  padding-bottom: 12px;
}
.find.mind {
  color: var(--mind);
}
.find.stop {
  color: var(--stop);
}
@media (max-width: 760px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto auto;
  }
  dl,
  .why {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  dl {
    grid-template-columns: repeat(2, 1fr);
  }
}
</style>
