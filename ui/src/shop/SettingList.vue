<script setup lang="ts">
// Machines' settings as they were tried, and what came of them. The kerf and the smallest
// round hole count where parts are cut; the rest is printed on the sheet of the machine.
import { computed } from 'vue'
import type { components } from '@/api/schema'
import { newId } from '@/api/ids'
import { useStock } from '@/api/queries'
import { mayBe, shopOf, wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import DateField from '@/kit/DateField.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import SearchPick from '@/kit/SearchPick.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

type Setting = components['schemas']['Setting']
const props = defineProps<{ open: OpenShop }>()
const settings = computed(() => props.open.shop.value?.settings ?? [])
const { data: stock } = useStock()
const materials = computed(() => (stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })))
const named = (key: string) => materials.value.find((m) => m.value === key)?.text ?? key
const set = (path: string, v: unknown) => props.open.set(`/settings${path}` as never, v as never)
const fault = (path: string) => props.open.faults.value[`/settings${path}`]
/** The kinds of machine an operation is done on. */
const kindsOf: Record<string, string[]> = {
  cutting: ['table', 'shear', 'torch', 'grinder'],
  sawing: ['saw'],
  bending: ['brake', 'bender'],
  drilling: ['drill'],
  welding: ['welder'],
}
const machines = (x: Setting) => [
  { value: '', text: 'any' },
  ...(props.open.shop.value?.machines ?? [])
    .filter((m) => kindsOf[x.operation]?.includes(m.kind))
    .map((m) => ({ value: m.id, text: m.name || m.sort || m.kind })),
]
const fresh = (): Setting => {
  const r = shopOf(props.open.inch.value).recipe
  return {
    id: newId(),
    operation: 'cutting',
    material: r.material,
    thickness: r.thickness,
    set: '',
    result: 'worked',
    date: new Date().toLocaleDateString('sv'),
  }
}
/** What is of one work only goes with it. */
function work(i: number, operation: Setting['operation']) {
  set(`/${i}`, { ...settings.value[i], operation, machine: undefined, kerf: undefined, round: undefined, broke: undefined })
}
</script>

<template>
  <CardList
    :rows="settings"
    word="setting"
    add="Write settings down"
    :name="(x) => `${x.operation} of ${named(x.material)}`"
    :make="fresh"
    @change="(v) => open.set('/settings', v)"
    ><template #default="{ row: x, i }">
      <article class="setting" :data-setting="x.operation">
        <FieldGrid :min="150" low>
          <PickOne
            label="At"
            :choices="wordsOf('Setting', 'operation')"
            :model-value="x.operation"
            @update:model-value="(v) => work(i, v)"
          />
          <PickOne
            label="On"
            :choices="machines(x)"
            :model-value="x.machine ?? ''"
            @update:model-value="(v) => set(`/${i}/machine`, v || undefined)"
          />
          <SearchPick
            label="Metal"
            :choices="materials"
            :model-value="x.material"
            @update:model-value="(v) => set(`/${i}/material`, v)"
          />
          <ValueField
            label="Thick"
            :model-value="x.thickness"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/thickness`)"
            @update:model-value="(v) => set(`/${i}/thickness`, v)"
          />
          <PickOne
            label="What came of it"
            :choices="wordsOf('Setting', 'result')"
            :model-value="x.result"
            @update:model-value="(v) => set(`/${i}/result`, v)"
          />
        </FieldGrid>
        <TextField
          label="As it was set: current, speed, pressure, gas, tip, stop"
          :model-value="x.set"
          :wrong="fault(`/${i}/set`)"
          @update:model-value="(v) => set(`/${i}/set`, v)"
        />
        <FieldGrid :min="140" low>
          <ValueField
            v-if="x.operation === 'cutting' || x.operation === 'sawing'"
            label="Kerf, measured"
            :model-value="x.kerf ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/kerf`)"
            @update:model-value="(v) => set(`/${i}/kerf`, v || undefined)"
          />
          <ValueField
            v-if="x.operation === 'cutting'"
            label="Smallest round hole"
            kind="hole"
            :model-value="x.round ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/round`)"
            @update:model-value="(v) => set(`/${i}/round`, v || undefined)"
          />
          <PickOne
            v-if="x.operation === 'welding'"
            label="Broken open"
            :choices="mayBe('Setting', 'broke')"
            :model-value="x.broke ?? ''"
            @update:model-value="(v) => set(`/${i}/broke`, v || undefined)"
          />
          <ValueField
            label="Minutes it took"
            kind="number"
            :model-value="x.minutes ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/minutes`)"
            @update:model-value="(v) => set(`/${i}/minutes`, v || undefined)"
          />
          <TextField
            label="Batch, rod or wire"
            :model-value="x.batch ?? ''"
            @update:model-value="(v) => set(`/${i}/batch`, v || undefined)"
          />
          <TextField
            label="For the part"
            :model-value="x.part ?? ''"
            @update:model-value="(v) => set(`/${i}/part`, v || undefined)"
          />
          <DateField label="Day" :model-value="x.date ?? ''" @update:model-value="(v) => set(`/${i}/date`, v || undefined)" />
        </FieldGrid>
        <TextField label="Note" :model-value="x.note ?? ''" @update:model-value="(v) => set(`/${i}/note`, v || undefined)" />
        <label v-if="x.kerf || x.round" class="tick"
          ><input type="checkbox" :checked="!!x.left" @change="set(`/${i}/left`, x.left ? undefined : true)" /> Left out of the
          mean</label
        >
      </article>
    </template></CardList
  >
</template>

<style scoped>
.setting {
  display: grid;
  gap: 10px;
}
</style>
