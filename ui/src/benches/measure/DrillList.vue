<script setup lang="ts">
// Every hole drilled into the vehicle: who looked behind it, what is there,
// where the drill stops.
import FieldGrid from '@/kit/FieldGrid.vue'
import { Plus } from '@lucide/vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { usePoints } from './points'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.drillings ?? [])
const told = (id: string) => props.open.worked.value?.drillings.find((d) => d.id === id)
const points = usePoints(props.open)
const asked = computed(() => props.open.worked.value?.findings.filter((f) => f.code === 'not-asked') ?? [])
const blank = (point = '', name = '') => ({ id: newId(), name, point, face: 'left' as const, diameter: 9, wall: 3 })
</script>

<template>
  <div class="stack">
    <p class="caution small">
      Fuel, brake, air, electric and high-voltage lines run behind walls and floors. Look from behind before a hole is drilled or
      the wall is heated; where a frame or a restraint is drilled, local rules and a licensed engineer decide.
    </p>
    <button
      v-for="f in asked"
      :key="f.feature"
      type="button"
      class="press"
      @click="open.set('/drillings', [...list, blank(f.feature, f.name)])"
    >
      <Plus :size="18" aria-hidden="true" />Answer it for {{ f.name }}
    </button>
    <CardList
      :rows="list"
      word="hole to drill"
      :name="(d) => d.name"
      add="Add a hole to drill"
      :make="() => blank()"
      @change="(v) => open.set('/drillings', v)"
      v-slot="{ row: d, i }"
    >
      <article class="drill" :data-drill="d.name">
        <FieldGrid :min="140">
          <TextField label="Hole" :model-value="d.name" @update:model-value="(v) => open.set(`/drillings/${i}/name`, v)" />
          <PickOne
            label="At the point"
            :choices="points"
            :model-value="d.point"
            @update:model-value="(v) => open.set(`/drillings/${i}/point`, v)"
          />
          <PickOne
            label="The wall faces"
            :choices="wordsOf('Drilling', 'face')"
            :model-value="d.face"
            @update:model-value="(v) => open.set(`/drillings/${i}/face`, v)"
          />
          <ValueField
            label="Drill"
            :model-value="d.diameter"
            :lengths="open.style.value"
            :wrong="open.fault(`/drillings/${i}/diameter`)"
            @update:model-value="(v) => open.set(`/drillings/${i}/diameter`, v)"
          />
          <ValueField
            label="Wall thickness"
            :model-value="d.wall ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/drillings/${i}/wall`)"
            @update:model-value="(v) => open.set(`/drillings/${i}/wall`, v)"
          />
          <ValueField
            label="Free behind the near face"
            :model-value="d.free ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/drillings/${i}/free`)"
            @update:model-value="(v) => open.set(`/drillings/${i}/free`, v)"
          />
          <TextField
            class="wide"
            label="Who looked, and what is there"
            :model-value="d.looked ?? ''"
            @update:model-value="(v) => open.set(`/drillings/${i}/looked`, v)"
          />
        </FieldGrid>
        <div class="came">
          <p>
            <span class="label">Drill stop</span> <b class="num big">{{ told(d.id)?.stop }}</b>
          </p>
          <ResultLine :result="told(d.id)" />
          <p v-for="x in told(d.id)?.do ?? []" :key="x" class="small">{{ x }}</p>
        </div>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.drill {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(200px, 1fr);
  gap: 14px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.came {
  display: grid;
  gap: 8px;
}
.big {
  font-size: 1.4rem;
  display: block;
  white-space: normal;
}
@media (max-width: 760px) {
  .drill {
    grid-template-columns: 1fr;
  }
}
</style>
