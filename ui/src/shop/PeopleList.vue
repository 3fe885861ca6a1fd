<script setup lang="ts">
// Who works in the shop: what each lifts, and how sure each is at what. Where nobody there is
// practised, parts ask for a practice piece.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const people = computed(() => props.open.shop.value?.people ?? [])
const set = (path: string, v: unknown) => props.open.set(`/people${path}` as never, v as never)
</script>

<template>
  <CardList
    :rows="people"
    word="person"
    add="Add a person"
    :name="(p) => p.name"
    :make="() => ({ id: newId(), name: '' })"
    @change="(v) => open.set('/people', v)"
    ><template #default="{ row: p, i }">
      <article class="person" :data-person="p.name">
        <FieldGrid :min="150" low>
          <TextField
            label="Name"
            :model-value="p.name"
            :wrong="open.fault(`/people/${i}/name`)"
            @update:model-value="(v) => set(`/${i}/name`, v)"
          />
          <ValueField
            label="Lifts alone"
            kind="mass"
            optional
            :model-value="p.lift ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/people/${i}/lift`)"
            @update:model-value="(v) => set(`/${i}/lift`, v)"
            @clear="set(`/${i}/lift`, undefined)"
          />
          <ValueField
            label="Hours a week"
            kind="number"
            optional
            :model-value="p.hours ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/people/${i}/hours`)"
            @update:model-value="(v) => set(`/${i}/hours`, v)"
            @clear="set(`/${i}/hours`, undefined)"
          />
        </FieldGrid>
        <label class="tick"
          ><input type="checkbox" :checked="!!p.away" @change="set(`/${i}/away`, p.away ? undefined : true)" /> Not there
          now</label
        >
        <CardList
          :rows="p.skills ?? []"
          word="skill"
          small
          flow
          add="Skill"
          :make="() => ({ id: newId(), operation: 'bending' as const, level: 'practised' as const })"
          @change="(v) => set(`/${i}/skills`, v)"
          ><template #default="{ row: k, i: n }">
            <FieldGrid :min="130" low>
              <PickOne
                label="At"
                :model-value="k.operation"
                :choices="wordsOf('Skill', 'operation')"
                @update:model-value="(v) => set(`/${i}/skills/${n}/operation`, v)"
              />
              <PickOne
                label="Is"
                :model-value="k.level"
                :choices="wordsOf('Skill', 'level')"
                @update:model-value="(v) => set(`/${i}/skills/${n}/level`, v)"
              />
            </FieldGrid> </template
        ></CardList>
      </article> </template
  ></CardList>
</template>

<style scoped>
.person {
  display: grid;
  gap: 10px;
}
</style>
