<script setup lang="ts">
// Lines of the body that nothing placed stands past, as seen from one side.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import Frac from '@/kit/Frac.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import ValueField from '@/kit/ValueField.vue'
import LineEdges from './LineEdges.vue'
import { usePoints } from './points'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.lines ?? [])
const told = (id: string) => props.open.worked.value?.lines.find((l) => l.id === id)
const points = usePoints(props.open)
const blank = () => ({ id: newId(), name: '', points: ['', ''], seen: 'left' as const, keep: 'below' as const })
const words = { good: '', doubtful: 'look', bad: '' }
</script>

<template>
  <div class="stack">
    <p class="soft small">
      The sill, the roof's edge, a bumper's lower edge: through surveyed points. What is placed stays on one side of it, as seen
      from where one looks.
    </p>
    <CardList
      :rows="list"
      word="line"
      :name="(l) => l.name"
      add="Add a line of the body"
      :make="blank"
      @change="(v) => open.set('/lines', v)"
      v-slot="{ row: l, i }"
    >
      <article class="item" :data-line="l.name">
        <div class="says">
          <FieldGrid :min="150">
            <TextField
              label="Line of the body"
              :model-value="l.name"
              @update:model-value="(v) => open.set(`/lines/${i}/name`, v)"
            />
            <PickOne
              label="Looked at from"
              :choices="wordsOf('BodyLine', 'seen')"
              :model-value="l.seen"
              @update:model-value="(v) => open.set(`/lines/${i}/seen`, v)"
            />
            <PickOne
              label="Things stay"
              :choices="wordsOf('BodyLine', 'keep')"
              :model-value="l.keep"
              @update:model-value="(v) => open.set(`/lines/${i}/keep`, v)"
            />
            <ValueField
              label="and keep off it"
              :model-value="l.off ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/lines/${i}/off`)"
              @update:model-value="(v) => open.set(`/lines/${i}/off`, v)"
            />
          </FieldGrid>
          <CardList
            small
            flow
            :rows="l.points"
            word="point of the line"
            add="One point more"
            :make="() => ''"
            @change="(v) => open.set(`/lines/${i}/points`, v)"
            v-slot="{ row: p, i: k }"
          >
            <PickOne
              :label="`Through ${k + 1}`"
              :choices="points"
              :model-value="p"
              @update:model-value="(v) => open.set(`/lines/${i}/points/${k}`, v)"
            />
          </CardList>
          <LineEdges :open="open" :index="i" />
        </div>
        <div class="came">
          <ResultLine :result="told(l.id)" />
          <ul v-if="told(l.id)?.things.length" class="things">
            <li v-for="t in told(l.id)!.things.filter((t) => t.verdict !== 'bad')" :key="t.name + t.place" :class="t.verdict">
              {{ t.name }}: <b class="num"><Frac :text="t.text" /></b> {{ words[t.verdict] }}
            </li>
          </ul>
          <p v-for="e in told(l.id)?.edges" :key="e.id" class="edge" :class="e.verdict" :data-edge-verdict="e.verdict">
            <b>{{ e.name }}</b> {{ e.says }} <WhyButton v-if="e.working" :name="e.name" :working="e.working" />
          </p>
        </div>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.item {
  grid-template-columns: minmax(0, 3fr) minmax(200px, 2fr);
}
.says {
  display: grid;
  gap: 10px;
}
.came {
  padding-top: 22px;
  display: grid;
  gap: 8px;
  align-content: start;
}
.things {
  list-style: none;
  margin: 0;
  padding: 0;
}
.doubtful {
  color: var(--mind);
}
.edge {
  margin: 0;
}
.edge.bad {
  color: var(--stop);
}
@media (max-width: 760px) {
  .item {
    grid-template-columns: 1fr;
  }
}
</style>
