<script setup lang="ts">
// The numbers of one space, by its form.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import { at as pointer } from '@/api/pointer'
import { wordOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{ open: OpenSurvey; index: number }>()
const path = computed(() => `/spaces/${props.index}/shape` as const)
const shape = computed(() => props.open.survey.value!.spaces![props.index]!.shape)
const asks = computed(() => wordOf('SurveyShape', 'form', shape.value.form)?.asks ?? [])
const value = (p: string) => (pointer(shape.value, p) as number | undefined) ?? 0
function setValue(p: string, v: number) {
  const [, key, i] = p.split('/')
  if (i === undefined) return props.open.set(`${path.value}${p}` as Radius, v)
  const list = [...((shape.value[key as 'at'] as number[] | undefined) ?? [0, 0, 0])]
  list[Number(i)] = v
  setList(key!, list)
}
/** Where a number lies is said by the table of forms. */
type Radius = `/spaces/${number}/shape/radius`
const setList = (key: string, list: number[]) => props.open.set(`${path.value}/${key as 'at'}`, list)
const ways = [
  { value: '1,0,0', text: 'forward' },
  { value: '-1,0,0', text: 'rearward' },
  { value: '0,1,0', text: 'to the left' },
  { value: '0,-1,0', text: 'to the right' },
  { value: '0,0,1', text: 'up' },
  { value: '0,0,-1', text: 'down' },
]
const way = (v?: number[]) => (v && v.some((x) => x) ? v : [0, 0, 1]).join(',')
const setWay = (key: string, text: string) => setList(key, text.split(',').map(Number))
const names = ['forward', 'left', 'up']
</script>

<template>
  <FieldGrid :min="150">
    <ValueField
      v-for="f in asks"
      :key="f.path"
      :label="f.label"
      :kind="f.kind"
      :model-value="value(f.path)"
      :lengths="open.style.value"
      :wrong="open.fault(`${path}${f.path}`)"
      @update:model-value="(v) => setValue(f.path, v)"
    />
    <template v-if="shape.form === 'swing'">
      <PickOne
        label="The hinge runs"
        :choices="ways"
        :model-value="way(shape.axis)"
        @update:model-value="(v) => setWay('axis', v)"
      />
      <PickOne
        label="At rest the leaf points"
        :choices="ways"
        :model-value="way(shape.start)"
        @update:model-value="(v) => setWay('start', v)"
      />
    </template>
    <PickOne
      v-if="shape.form === 'prism'"
      label="The height runs"
      :choices="ways"
      :model-value="way(shape.axis)"
      @update:model-value="(v) => setWay('axis', v)"
    />
    <p v-if="shape.form === 'swing'" class="small soft wide">
      Opening is anticlockwise seen with the hinge pointing at you; clockwise is negative.
    </p>
    <CardList
      v-if="shape.form === 'run'"
      class="wide"
      small
      ordered
      :rows="shape.corners ?? []"
      word="corner"
      add="Corner"
      :make="() => [...(shape.corners?.at(-1) ?? [0, 0, 0])]"
      @change="(v) => open.set(`${path}/corners`, v)"
      v-slot="{ row: c, i: k }"
    >
      <div class="corner">
        <ValueField
          v-for="(n, i) in names"
          :key="n"
          :label="`Corner ${k + 1}, ${n}`"
          :model-value="c[i] ?? 0"
          :lengths="open.style.value"
          :wrong="open.fault(`${path}/corners/${k}/${i}`)"
          @update:model-value="(v) => open.set(`${path}/corners/${k}/${i}`, v)"
        />
      </div>
    </CardList>
    <CardList
      v-if="shape.form === 'prism'"
      class="wide"
      small
      ordered
      :rows="shape.outline ?? []"
      word="corner"
      add="Corner"
      :make="() => ({ x: 0, y: 0 })"
      @change="(v) => open.set(`${path}/outline`, v)"
      v-slot="{ row: c, i: k }"
    >
      <div class="corner">
        <ValueField
          v-for="n in ['x', 'y'] as const"
          :key="n"
          :label="`Corner ${k + 1}, ${n}`"
          :model-value="c[n]"
          :lengths="open.style.value"
          :wrong="open.fault(`${path}/outline/${k}/${n}`)"
          @update:model-value="(v) => open.set(`${path}/outline/${k}/${n}`, v)"
        />
      </div>
    </CardList>
  </FieldGrid>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
.corner {
  display: grid;
  grid-template-columns: repeat(3, minmax(90px, 150px));
  gap: 8px;
  align-items: end;
}
</style>
