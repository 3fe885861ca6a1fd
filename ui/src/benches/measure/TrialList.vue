<script setup lang="ts">
// A person tries where it goes; what was looked at, and whether it still stands there.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { Survey } from '@/api/client'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import { usePoints } from './points'

type Trial = NonNullable<Survey['trials']>[number]
type Ask = NonNullable<Trial['asks']>[number]
const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.trials ?? [])
const told = (id: string) => props.open.worked.value?.trials.find((t) => t.id === id)
const points = usePoints(props.open)
const looked = computed(() => wordsOf('TrialAsk', 'what'))
const answers = computed(() => [{ value: '', text: 'not looked at' }, ...wordsOf('TrialAsk', 'answer')])
const ask = (t: Trial, what: string) => t.asks?.find((a) => a.what === what)
function put(i: number, t: Trial, what: Ask['what'], change: Partial<Ask>) {
  const now = { ...(ask(t, what) ?? { what }), ...change }
  const rest = (t.asks ?? []).filter((a) => a.what !== what)
  props.open.set(`/trials/${i}/asks`, now.answer || now.note ? [...rest, now] : rest)
}
</script>

<template>
  <div class="stack">
    <p class="soft small">Sit in it, with the boots on. The point that tells where it stands becomes its final place.</p>
    <p class="small mind">
      Seats, belts, steering and brakes: local rules and a licensed engineer decide. This records what a person found.
    </p>
    <CardList
      :rows="list"
      word="trial"
      :name="(t) => t.name"
      add="Add a trial"
      :make="() => ({ id: newId(), name: '' })"
      @change="(v) => open.set('/trials', v)"
      v-slot="{ row: t, i }"
    >
      <article class="trial" :data-trial="t.name">
        <FieldGrid :min="180">
          <TextField label="What is tried" :model-value="t.name" @update:model-value="(v) => open.set(`/trials/${i}/name`, v)" />
          <TextField
            label="Who tried it, how tall"
            :model-value="t.who ?? ''"
            @update:model-value="(v) => open.set(`/trials/${i}/who`, v || undefined)"
          />
          <PickOne
            label="Where it stands: the point"
            :choices="points"
            :model-value="t.point ?? ''"
            @update:model-value="(v) => open.set(`/trials/${i}/point`, v || undefined)"
          />
        </FieldGrid>
        <ul class="asks">
          <li v-for="w in looked" :key="w.value" :class="ask(t, w.value)?.answer">
            <PickOne
              :label="w.text"
              :choices="answers"
              :model-value="ask(t, w.value)?.answer ?? ''"
              @update:model-value="(v) => put(i, t, w.value, { answer: (v || undefined) as Ask['answer'] })"
            />
            <TextField
              v-if="(ask(t, w.value)?.answer ?? 'needless') !== 'needless'"
              label="What was seen"
              :model-value="ask(t, w.value)?.note ?? ''"
              @update:model-value="(v) => put(i, t, w.value, { note: v || undefined })"
            />
          </li>
        </ul>
        <ResultLine :result="told(t.id)" />
        <p>
          <button type="button" class="press" :disabled="!told(t.id)?.at" @click="open.set(`/trials/${i}/at`, told(t.id)!.at!)">
            It was tried where it stands now
          </button>
        </p>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.mind {
  color: var(--mind);
}
.trial {
  display: grid;
  gap: 12px;
}
.asks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 10px 20px;
}
.asks li {
  display: grid;
  gap: 6px;
  align-content: start;
  border-left: 4px solid var(--rule-strong);
  padding-left: 10px;
}
.asks .good {
  border-color: var(--ink);
}
.asks .bad {
  border-color: var(--stop);
}
</style>
