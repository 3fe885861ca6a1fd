<script setup lang="ts">
// Parts, devices and boxes in their place: by their holes on surveyed points,
// or by typed numbers.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed, ref } from 'vue'
import { newId } from '@/api/ids'
import { mayBe } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import SaySo from '@/kit/SaySo.vue'
import TextField from '@/kit/TextField.vue'
import { trustWord } from '@/kit/trust'
import ValueField from '@/kit/ValueField.vue'
import PlacedAt from './PlacedAt.vue'
import { usePoints } from './points'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.placed ?? [])
const told = (id: string) => props.open.worked.value?.placed.find((p) => p.id === id)
const points = usePoints(props.open)
const shown = ref('')
const whats = computed(() => [
  { value: '', text: 'a box of a size' },
  ...(props.open.page.value?.parts ?? []).map((p) => ({ value: `part ${p.id}`, text: p.name })),
  ...(props.open.page.value?.parts ?? [])
    .filter((p) => p.pair)
    .map((p) => ({ value: `twin ${p.id}`, text: `${p.name}, the twin` })),
  ...[...(props.open.page.value?.frames ?? []), ...(props.open.page.value?.bodies ?? [])].map((f) => ({
    value: `part ${f.id}`,
    text: f.name,
  })),
  ...(props.open.page.value?.bodies ?? [])
    .filter((b) => b.pair)
    .map((b) => ({ value: `twin ${b.id}`, text: `${b.name}, the twin` })),
  ...(props.open.page.value?.job.brief.devices ?? []).map((d) => ({ value: `device ${d.id}`, text: d.name })),
])
const what = (i: number) => {
  const p = list.value[i]!
  return p.part ? `${p.twin ? 'twin' : 'part'} ${p.part}` : p.device ? `device ${p.device}` : ''
}
function setWhat(i: number, v: string) {
  const [kind, id] = v.split(' ')
  const p = list.value[i]!
  const name = whats.value.find((w) => w.value === v)?.text ?? ''
  props.open.set(`/placed/${i}`, {
    id: p.id,
    name: p.name || name,
    at: p.at ?? [0, 0, 0],
    ...(kind === 'device'
      ? { device: id }
      : v
        ? { part: id, twin: kind === 'twin' || undefined }
        : { size: { length: 200, width: 200, height: 200 } }),
  })
}
function blank() {
  shown.value = newId()
  return { id: shown.value, name: '', at: [0, 0, 0] as [number, number, number], size: { length: 200, width: 200, height: 200 } }
}
const mate = (p: (typeof list.value)[number]) => ({ hole: told(p.id)?.holes[p.mates?.length ?? 0]?.id ?? '', point: '' })
const holes = (id: string) => [
  { value: '', text: 'choose a hole' },
  ...(told(id)?.holes ?? []).map((h) => ({ value: h.id, text: h.name })),
]
</script>

<template>
  <div class="stack">
    <p v-if="!list.length" class="soft">Place a part by its holes on surveyed points, and see what it meets.</p>
    <CardList
      lines
      :rows="list"
      word="placed thing"
      :name="(p) => p.name || told(p.id)?.name"
      add="Place something"
      :make="blank"
      @change="(v) => open.set('/placed', v)"
      v-slot="{ row: p, i }"
    >
      <article class="placed" :class="{ shown: shown === p.id }" :data-placed="p.name">
        <div class="line">
          <button
            type="button"
            class="press bare name"
            :aria-expanded="shown === p.id"
            @click="shown = shown === p.id ? '' : p.id"
          >
            {{ p.name || told(p.id)?.name || 'something without a name' }}
          </button>
          <span v-if="told(p.id)?.why" class="small why">{{ told(p.id)!.why }}</span>
          <span v-else class="small soft">
            <template v-if="told(p.id)?.misses.length"
              >its holes stay up to <b class="num">{{ told(p.id)!.misses.reduce((a, b) => (b.off > a.off ? b : a)).text }}</b> off
              their points</template
            >
            <template v-if="told(p.id)?.within">; place known to ± {{ told(p.id)!.within }}</template>
            <template v-if="told(p.id)?.past.length">; past what holds it {{ told(p.id)!.past.join(', ') }}</template>
            <template v-if="told(p.id)?.least && told(p.id)!.least!.trust !== 'measured'"
              >; least trusted: {{ told(p.id)!.least!.name }}, {{ trustWord(told(p.id)!.least!.trust) }}</template
            >
            <b v-if="shown !== p.id && told(p.id)?.findings.length" class="say">{{ told(p.id)!.findings.length }} to look at</b>
          </span>
        </div>
        <SaySo v-if="shown === p.id" :label="`What ${p.name} says`" :list="told(p.id)?.findings ?? []" />
        <div v-if="shown === p.id" class="edit">
          <FieldGrid :min="150">
            <TextField label="Name" :model-value="p.name" @update:model-value="(v) => open.set(`/placed/${i}/name`, v)" />
            <PickOne label="It is" :choices="whats" :model-value="what(i)" @update:model-value="(v) => setWhat(i, v)" />
            <template v-if="p.size">
              <ValueField
                v-for="k in ['length', 'width', 'height'] as const"
                :key="k"
                :label="k"
                :model-value="p.size[k]"
                :lengths="open.style.value"
                :wrong="open.fault(`/placed/${i}/size/${k}`)"
                @update:model-value="(v) => open.set(`/placed/${i}/size/${k}`, v)"
              />
            </template>
            <template v-if="p.part">
              <PickOne
                label="Its good side looks"
                :choices="mayBe('Placed', 'facing', 'as its holes have it')"
                :model-value="(p.facing ?? '') as 'left'"
                @update:model-value="(v) => open.set(`/placed/${i}/facing`, v || undefined)"
              />
              <ValueField
                label="Bolt diameter"
                :model-value="p.bolt ?? null"
                :lengths="open.style.value"
                :wrong="open.fault(`/placed/${i}/bolt`)"
                @update:model-value="(v) => open.set(`/placed/${i}/bolt`, v)"
              />
              <ValueField
                label="Wall it is bolted through"
                :model-value="p.wall ?? null"
                :lengths="open.style.value"
                :wrong="open.fault(`/placed/${i}/wall`)"
                @update:model-value="(v) => open.set(`/placed/${i}/wall`, v)"
              />
            </template>
          </FieldGrid>
          <CardList
            :rows="p.mates ?? []"
            word="mate"
            :add="p.size ? undefined : 'Mate a hole with a point'"
            :make="() => mate(p)"
            small
            @change="(v) => open.set(`/placed/${i}/mates`, v)"
            v-slot="{ row: m, i: k }"
          >
            <div class="mate">
              <PickOne
                :label="`Mate ${k + 1}: hole`"
                :choices="holes(p.id)"
                :model-value="m.hole"
                @update:model-value="(v) => open.set(`/placed/${i}/mates/${k}/hole`, v)"
              />
              <PickOne
                :label="`Mate ${k + 1}: on the point`"
                :choices="points"
                :model-value="m.point"
                @update:model-value="(v) => open.set(`/placed/${i}/mates/${k}/point`, v)"
              />
              <span v-if="told(p.id)?.misses[k]" class="off" :class="{ not: told(p.id)!.misses[k]!.goes === false }"
                ><b class="num">{{ told(p.id)!.misses[k]!.text }}</b> off{{
                  told(p.id)!.misses[k]!.goes === false ? ', the bolt does not go through' : ''
                }}</span
              >
            </div>
          </CardList>
          <PlacedAt v-if="!p.mates?.length" :open="open" :placed="p" :i="i" />
        </div>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.placed {
  display: grid;
  gap: 6px;
}
.shown {
  border-left: 4px solid var(--ember);
  padding-left: 12px;
}
.line {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(0, 2fr);
  gap: 10px;
  align-items: center;
}
.name {
  justify-content: flex-start;
  text-align: left;
  padding-left: 0;
}
.why {
  font-style: italic;
}
.say {
  display: block;
  color: var(--mind);
}
.edit {
  display: grid;
  gap: 10px;
  padding-bottom: 10px;
}
.edit > .press {
  justify-self: start;
}
.mate {
  display: grid;
  grid-template-columns: minmax(130px, 1fr) minmax(130px, 1fr) minmax(120px, 1fr);
  gap: 10px;
  align-items: end;
}
.off {
  padding-bottom: 10px;
}
.not {
  color: var(--stop);
}
@media (max-width: 640px) {
  .mate {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
