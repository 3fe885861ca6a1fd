<script setup lang="ts">
// What is said of one line of stock.
import { computed, ref } from 'vue'
import { words } from '@/api/client'
import { useSections, useStock } from '@/api/queries'
import { mayBe, wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import FilePick from '@/kit/FilePick.vue'
import PickOne from '@/kit/PickOne.vue'
import SearchPick from '@/kit/SearchPick.vue'
import SuggestField from '@/kit/SuggestField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { BuildStyle } from '@/kit/readLength'
import { largestOutline } from './outline'
import type { Goods } from './useGoods'

const props = defineProps<{ modelValue: Goods; lengths: BuildStyle; faults: Record<string, string>; fixed?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [line: Goods] }>()
const set = (v: Partial<Goods>) => emit('update:modelValue', { ...props.modelValue, ...v })
const line = computed(() => props.modelValue)
const { data: stock } = useStock()
const { data: sections } = useSections()
const materials = computed(() => (stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })))
const inch = computed(() => props.lengths.unit !== 'mm')
const wrong = (key: string) => props.faults[`/line/${key}`]
const metal = computed(() => ['sheet', 'remnant', 'stick'].includes(line.value.kind))
/** How long the things of a kind usually come, in mm; a bolt's length is asked. */
const usualLong = (kind: Goods['kind']) =>
  kind === 'sheet' ? (inch.value ? 3048 : 2500) : kind === 'stick' ? (inch.value ? 6096 : 6000) : undefined
const trouble = ref('')
async function outline(file: File) {
  trouble.value = ''
  try {
    set({ outline: await largestOutline(file, inch.value) })
  } catch (e) {
    trouble.value = `${file.name}: ${words(e)}`
  }
}
const corners = computed(() => line.value.outline ?? [])
const drawn = computed(() => {
  const xs = corners.value.map((p) => p.x)
  const ys = corners.value.map((p) => -p.y)
  if (xs.length < 3) return
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  const [w, h] = [Math.max(...xs) - x, Math.max(...ys) - y]
  const pad = Math.max(w, h) * 0.05
  return {
    box: `${x - pad} ${y - pad} ${w + 2 * pad} ${h + 2 * pad}`,
    points: corners.value.map((p) => `${p.x},${-p.y}`).join(' '),
    line: Math.max(w, h) / 80,
  }
})
const moveCorner = (i: number, v: { x?: number; y?: number }) =>
  set({ outline: corners.value.map((c, k) => (k === i ? { ...c, ...v } : c)) })
const sectionNames = computed(() => [...new Set((sections.value?.sections ?? []).map((s) => s.name))])
const grades = computed(() => [
  { value: '', text: 'unmarked: counts as the lowest' },
  ...[...new Set((stock.value?.grades ?? []).filter((g) => g.system === line.value.system).map((g) => g.name))].map((g) => ({
    value: g,
    text: g,
  })),
])
const sizes = computed(() => [
  ...new Set((stock.value?.threads ?? []).filter((t) => t.system === line.value.system).map((t) => t.size)),
])
</script>

<template>
  <div class="form">
    <ChoiceRow
      v-if="!fixed"
      label="It is"
      :choices="wordsOf('Goods', 'kind')"
      :model-value="line.kind"
      @update:model-value="(kind) => set({ kind, long: usualLong(kind) })"
    />
    <FieldGrid :min="150" low>
      <SearchPick
        v-if="metal"
        label="Of"
        :choices="materials"
        :model-value="line.material ?? ''"
        @update:model-value="(material) => set({ material })"
      />
      <ValueField
        v-if="line.kind === 'sheet' || line.kind === 'remnant'"
        label="Thick"
        :model-value="line.thickness ?? null"
        :lengths="lengths"
        :wrong="wrong('thickness')"
        @update:model-value="(thickness) => set({ thickness })"
      />
      <SuggestField
        v-if="line.kind === 'stick'"
        label="Section as in frames"
        :known="sectionNames"
        :model-value="line.section ?? ''"
        @update:model-value="(section) => set({ section })"
      />
      <template v-if="line.kind === 'hardware' || line.kind === 'consumable'">
        <TextField
          :label="line.kind === 'hardware' ? 'What: bolt, nut, washer' : 'What it is'"
          :model-value="line.name ?? ''"
          :wrong="wrong('name')"
          @update:model-value="(name) => set({ name })"
        />
      </template>
      <template v-if="line.kind === 'hardware'">
        <PickOne
          label="Thread"
          :choices="mayBe('Goods', 'system', 'none')"
          :model-value="line.system ?? ''"
          @update:model-value="(v) => set({ system: v || undefined })"
        />
        <SuggestField
          label="Size"
          :known="sizes"
          :model-value="line.size ?? ''"
          :wrong="wrong('size')"
          @update:model-value="(size) => set({ size })"
        />
        <SearchPick
          label="Grade"
          :choices="grades"
          :model-value="line.grade ?? ''"
          @update:model-value="(g) => set({ grade: g || undefined })"
        />
      </template>
      <TextField
        v-if="line.kind === 'consumable'"
        label="Counted in: pieces when left out"
        :model-value="line.unit ?? ''"
        :wrong="wrong('unit')"
        @update:model-value="(unit) => set({ unit: unit || undefined })"
      />
      <ValueField
        v-if="line.kind === 'sheet' || line.kind === 'stick' || line.kind === 'hardware'"
        label="Long"
        :optional="line.kind === 'hardware'"
        :model-value="line.long ?? null"
        :lengths="lengths"
        :wrong="wrong('long')"
        @update:model-value="(long) => set({ long })"
        @clear="set({ long: undefined })"
      />
      <ValueField
        v-if="line.kind === 'sheet'"
        label="Wide"
        :model-value="line.wide ?? null"
        :lengths="lengths"
        :wrong="wrong('wide')"
        @update:model-value="(wide) => set({ wide })"
      />
      <TextField
        label="Written on it"
        :model-value="line.label ?? ''"
        :wrong="wrong('label')"
        @update:model-value="(label) => set({ label: label || undefined })"
      />
      <TextField
        label="Where it lies"
        :model-value="line.place ?? ''"
        :wrong="wrong('place')"
        @update:model-value="(place) => set({ place: place || undefined })"
      />
      <TextField
        label="Delivery, certificate"
        :model-value="line.batch ?? ''"
        :wrong="wrong('batch')"
        @update:model-value="(batch) => set({ batch: batch || undefined })"
      />
      <ValueField
        label="Too few under"
        kind="count"
        optional
        :model-value="line.least ?? null"
        :lengths="lengths"
        :wrong="wrong('least')"
        @update:model-value="(least) => set({ least })"
        @clear="set({ least: undefined })"
      />
    </FieldGrid>
    <div v-if="line.kind === 'remnant'" class="outline">
      <svg v-if="drawn" :viewBox="drawn.box" role="img" aria-label="Outline of the remnant">
        <polygon :points="drawn.points" :stroke-width="drawn.line" />
      </svg>
      <div>
        <p class="soft small">Its corners round, from any corner of its own: to the right, and up.</p>
        <CardList
          :rows="corners"
          word="corner"
          small
          flow
          add="Corner"
          :make="() => ({ x: 0, y: 0, bulge: 0 })"
          @change="(outline) => set({ outline })"
          ><template #default="{ row: c, i }">
            <div class="corner">
              <ValueField
                label="Right"
                hide-label
                :model-value="c.x"
                :lengths="lengths"
                @update:model-value="(x) => moveCorner(i, { x })"
              />
              <ValueField
                label="Up"
                hide-label
                :model-value="c.y"
                :lengths="lengths"
                @update:model-value="(y) => moveCorner(i, { y })"
              />
            </div> </template
        ></CardList>
        <FilePick tight label="Its outline: DXF" accept=".dxf" @pick="outline" />
        <p v-if="wrong('outline') || trouble" class="wrong" role="alert">{{ wrong('outline') || trouble }}</p>
      </div>
    </div>
    <p v-for="key in ['section', 'size', 'grade'].filter(wrong)" :key="key" class="wrong" role="alert">{{ wrong(key) }}</p>
    <p v-if="wrong('material')" class="wrong" role="alert">{{ wrong('material') }}</p>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}
.corner {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
.outline {
  display: grid;
  grid-template-columns: minmax(120px, 220px) minmax(0, 1fr);
  gap: 12px;
}
svg {
  width: 100%;
  max-height: 200px;
}
polygon {
  fill: var(--metal);
  stroke: var(--line);
}
@media (max-width: 620px) {
  .outline {
    grid-template-columns: 1fr;
  }
}
</style>
