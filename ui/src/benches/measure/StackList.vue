<script setup lang="ts">
// Standoff = gap less everything else, at each place; the spacer and shim list.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import ReadingField from '@/kit/ReadingField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.stacks ?? [])
const told = (id: string) => props.open.worked.value?.stacks.find((s) => s.id === id)
const blank = (): (typeof list.value)[number] => ({
  id: newId(),
  name: '',
  way: 'upright',
  grain: 1,
  shims: [0.5, 1, 2],
  layers: [],
  places: [{ name: '1', gap: {} }],
})
const slope = (i: number, key: 'pitch' | 'roll', v: number) =>
  props.open.set(`/stacks/${i}/slope`, { pitch: 0, roll: 0, ...list.value[i]!.slope, [key]: v })
</script>

<template>
  <div class="stack">
    <CardList
      :rows="list"
      word="stack"
      :name="(s) => s.name"
      add="Add a stack"
      :make="blank"
      @change="(v) => open.set('/stacks', v)"
      v-slot="{ row: s, i }"
    >
      <article class="one" :data-stack="s.name">
        <FieldGrid :min="160" low>
          <TextField label="Stack" :model-value="s.name" @update:model-value="(v) => open.set(`/stacks/${i}/name`, v)" />
          <ChoiceRow
            label="It stands"
            :choices="wordsOf('StackSet', 'way')"
            :model-value="s.way ?? 'upright'"
            @update:model-value="(v) => open.set(`/stacks/${i}/way`, v)"
          />
          <ValueField
            label="The saw cuts to"
            :model-value="s.grain ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/stacks/${i}/grain`)"
            @update:model-value="(v) => open.set(`/stacks/${i}/grain`, v)"
          />
        </FieldGrid>
        <TableFrame v-if="told(s.id)" :name="`Spacers of ${s.name}`">
          <thead>
            <tr>
              <th>place</th>
              <th>standoff</th>
              <th>worst case</th>
              <th>root of squares</th>
              <th>spacer</th>
              <th>shims</th>
              <th>left over</th>
              <th v-if="s.slope">leg</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in told(s.id)!.places" :key="r.name">
              <td>{{ r.name }}</td>
              <td v-if="r.why" colspan="6" class="why">{{ r.why }}</td>
              <template v-else>
                <td class="num big">{{ r.nominal }}</td>
                <td class="num soft">{{ r.worst }}</td>
                <td class="num soft">{{ r.rss }}</td>
                <td class="num big">{{ r.spacer }}</td>
                <td class="num">{{ r.shims }}</td>
                <td class="num">{{ r.left }}</td>
              </template>
              <td v-if="s.slope" class="num big">{{ r.leg }}</td>
            </tr>
          </tbody>
        </TableFrame>
        <p v-if="told(s.id)" class="small">
          {{ told(s.id)!.says }}
          <WhyButton v-if="told(s.id)!.working" :name="s.name" :working="told(s.id)!.working!" />
        </p>
        <h3>What else fills the gap</h3>
        <CardList
          :rows="s.layers ?? []"
          word="layer"
          add="Plate, pad, coat or weld gap"
          :make="() => ({ name: '', thickness: 3 })"
          small
          ordered
          @change="(v) => open.set(`/stacks/${i}/layers`, v)"
          v-slot="{ row: l, i: k }"
        >
          <div class="layer">
            <TextField
              label="Layer"
              :model-value="l.name ?? ''"
              @update:model-value="(v) => open.set(`/stacks/${i}/layers/${k}/name`, v)"
            />
            <ValueField
              label="Thickness"
              :model-value="l.thickness"
              :lengths="open.style.value"
              :wrong="open.fault(`/stacks/${i}/layers/${k}/thickness`)"
              @update:model-value="(v) => open.set(`/stacks/${i}/layers/${k}/thickness`, v)"
            />
            <ValueField
              label="+"
              :model-value="l.plus ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/stacks/${i}/layers/${k}/plus`)"
              @update:model-value="(v) => open.set(`/stacks/${i}/layers/${k}/plus`, v)"
            />
            <ValueField
              label="−"
              :model-value="l.minus ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/stacks/${i}/layers/${k}/minus`)"
              @update:model-value="(v) => open.set(`/stacks/${i}/layers/${k}/minus`, v)"
            />
            <ValueField
              label="How many"
              kind="count"
              :model-value="l.count ?? 1"
              :lengths="open.style.value"
              :wrong="open.fault(`/stacks/${i}/layers/${k}/count`)"
              @update:model-value="(v) => open.set(`/stacks/${i}/layers/${k}/count`, v)"
            />
          </div>
        </CardList>
        <h3>Places</h3>
        <CardList
          :rows="s.places"
          word="place"
          :name="(p) => `place ${p.name}`"
          add="Place"
          :make="() => ({ name: String(s.places.length + 1), gap: {} })"
          small
          @change="(v) => open.set(`/stacks/${i}/places`, v)"
          v-slot="{ row: p, i: k }"
        >
          <div class="place" :class="{ sloped: s.slope }">
            <TextField
              label="Place"
              :model-value="p.name"
              @update:model-value="(v) => open.set(`/stacks/${i}/places/${k}/name`, v)"
            />
            <ReadingField
              :label="`Gap, ${p.name}`"
              :model-value="p.gap"
              :lengths="open.style.value"
              :wrong="(n) => open.fault(`/stacks/${i}/places/${k}/gap/values/${n}`)"
              @update:model-value="(v) => open.set(`/stacks/${i}/places/${k}/gap`, v)"
            />
            <template v-if="s.slope">
              <ValueField
                label="forward"
                :model-value="p.x ?? 0"
                :lengths="open.style.value"
                :wrong="open.fault(`/stacks/${i}/places/${k}/x`)"
                @update:model-value="(v) => open.set(`/stacks/${i}/places/${k}/x`, v)"
              />
              <ValueField
                label="left"
                :model-value="p.y ?? 0"
                :lengths="open.style.value"
                :wrong="open.fault(`/stacks/${i}/places/${k}/y`)"
                @update:model-value="(v) => open.set(`/stacks/${i}/places/${k}/y`, v)"
              />
            </template>
          </div>
        </CardList>
        <FieldGrid :min="160" low>
          <ValueField
            label="Platform slopes, nose low"
            kind="angle"
            :model-value="s.slope?.pitch ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/stacks/${i}/slope/pitch`)"
            @update:model-value="(v) => slope(i, 'pitch', v)"
          />
          <ValueField
            label="Platform slopes, left high"
            kind="angle"
            :model-value="s.slope?.roll ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/stacks/${i}/slope/roll`)"
            @update:model-value="(v) => slope(i, 'roll', v)"
          />
        </FieldGrid>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.one {
  display: grid;
  gap: 10px;
}
.one > .press {
  justify-self: start;
}
.gone {
  justify-self: end;
}
.layer,
.place {
  display: grid;
  grid-template-columns: minmax(140px, 1.4fr) repeat(4, minmax(84px, 1fr));
  gap: 8px;
  align-items: end;
}
.place {
  grid-template-columns: minmax(110px, 1fr) minmax(200px, 2fr);
  align-items: start;
}
.sloped {
  grid-template-columns: minmax(110px, 1fr) minmax(200px, 2fr) minmax(90px, 1fr) minmax(90px, 1fr);
}
.place > .press {
  margin-top: 26px;
}
.big {
  font-size: 1.15rem;
}
.why {
  font-style: italic;
}
@media (max-width: 760px) {
  .layer,
  .place {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
