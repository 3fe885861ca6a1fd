<script setup lang="ts">
// Material, thickness, how it is cut, what it is bent on; name and count.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import { useJob, useStock } from '@/api/queries'
import { mayBe, wordOf, wordsOf } from '@/api/words'
import { useAmounts } from '@/kit/amounts'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { newId } from '@/api/ids'
import { forItself } from '@/benches/start/forItself'
import KeepInShop from '@/shop/KeepInShop.vue'
import TriedBefore from './TriedBefore.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; job: string }>()
const { data: stock } = useStock()
const part = computed(() => props.bench.part.value!)
const recipe = computed(() => part.value.recipe.value!)
const material = computed(() => stock.value?.materials.find((m) => m.key === recipe.value.material))
const { stress, density } = useAmounts(() => props.bench.style().unit !== 'mm')
const inches = computed(() => props.bench.style().unit !== 'mm')
const gauges = computed(() => stock.value?.gauges.find((g) => g.family === material.value?.family)?.gauges ?? [])
/** A gauge as its table says it, in the job's unit. */
const nominal = (g: { inch: number; mm: number }) => (inches.value ? `${g.inch}"` : `${+g.mm.toFixed(3)} mm`)
const set = (path: string, v: unknown) => part.value.set(path, v)
const fault = (path: string) => part.value.faults.value.find((f) => f.path === `/recipe${path}`)?.message

const { data: page } = useJob(() => props.job)
const masters = computed(() => {
  const gone = recipe.value.master
  const list = (page.value?.parts ?? [])
    .filter((p) => p.id !== part.value.view.value?.id)
    .map((p) => ({ value: p.id, text: p.name }))
  return gone && !list.some((m) => m.value === gone.part) ? [...list, { value: gone.part, text: gone.name }] : list
})
function master(id: string) {
  const m = masters.value.find((x) => x.value === id)
  set('/master', m && { part: m.value, name: m.text })
}

/** A typed thickness is measured; a gauge is nominal and says so. */
function thickness(mm: number) {
  const gauge = gauges.value.find((g) => Math.abs(g.mm - mm) < 1e-6)?.gauge
  part.value.change({ recipe: { ...recipe.value, thickness: mm, gauge } })
}
function toGauge(value: string) {
  const g = gauges.value.find((x) => String(x.gauge) === value)
  if (g) part.value.change({ recipe: { ...recipe.value, thickness: g.mm, gauge: g.gauge } })
}
</script>

<template>
  <FieldGrid :min="210" keep>
    <TextField
      label="Name of the part"
      :model-value="part.doc.value!.name"
      :maxlength="120"
      @update:model-value="(v) => part.change({ name: v })"
    />
    <ValueField
      label="How many in the job"
      kind="count"
      :model-value="part.doc.value!.quantity"
      :lengths="bench.style()"
      :wrong="part.fault('/quantity')"
      @update:model-value="(v) => part.change({ quantity: v })"
    />
    <PickOne
      v-if="stock"
      label="Material"
      :choices="stock.materials.map((m) => ({ value: m.key, text: m.name }))"
      :model-value="recipe.material"
      @update:model-value="(v) => part.change({ recipe: { ...recipe, material: v, gauge: undefined } })"
    />
    <ValueField
      label="Thickness"
      :model-value="recipe.thickness"
      :lengths="bench.style()"
      :family="material?.family"
      :wrong="fault('/thickness')"
      note="fraction, mm, or as in 10 ga"
      @update:model-value="thickness"
    />
    <PickOne
      label="or by gauge"
      :choices="[
        { value: '', text: 'measured' },
        ...gauges.map((g) => ({ value: String(g.gauge), text: `${g.gauge} ga, ${nominal(g)}` })),
      ]"
      :model-value="recipe.gauge ? String(recipe.gauge) : ''"
      @update:model-value="toGauge"
    />
    <label class="tick"
      ><input
        type="checkbox"
        :checked="recipe.guessed"
        @change="set('/guessed', ($event.target as HTMLInputElement).checked || undefined)"
      />
      nobody measured the thickness</label
    >
    <PickOne
      v-if="stock"
      label="Cut by"
      :choices="wordsOf('Recipe', 'process')"
      :model-value="recipe.process"
      @update:model-value="(v) => set('/process', v)"
    />
    <PickOne
      label="Bent on"
      :choices="wordsOf('Tool', 'kind')"
      :model-value="recipe.tool.kind"
      @update:model-value="(v) => set('/tool', { kind: v })"
    />
    <ValueField
      v-if="wordOf('Tool', 'kind', recipe.tool.kind)?.asks"
      :label="wordOf('Tool', 'kind', recipe.tool.kind)!.asks![0]!.label"
      :model-value="recipe.tool.opening || null"
      :lengths="bench.style()"
      :wrong="fault('/tool/opening')"
      :note="recipe.tool.opening ? '' : 'the usual size is assumed'"
      @update:model-value="(v) => set('/tool/opening', v)"
    />
    <ChoiceRow
      label="Rolling direction on the flat"
      :choices="wordsOf('Recipe', 'grain')"
      :model-value="recipe.grain || 'unknown'"
      @update:model-value="(v) => set('/grain', v)"
    />
    <ChoiceRow
      label="Face that shows or carries film"
      :choices="mayBe('Recipe', 'seen')"
      :model-value="recipe.seen || ''"
      @update:model-value="(v) => set('/seen', v || undefined)"
    />
    <PickOne
      v-if="masters.length"
      label="Its matched holes are drilled through"
      :choices="[{ value: '', text: 'their mate, or the first of several' }, ...masters]"
      :model-value="recipe.master?.part ?? ''"
      @update:model-value="master"
    />
    <p v-if="material" class="small soft wide">
      {{ material.name }}: yield {{ stress(material.yield) }}, tensile {{ stress(material.tensile) }},
      {{ density(material.density) }}. {{ material.source }}.
    </p>
  </FieldGrid>
  <TriedBefore :bench="bench" />
  <KeepInShop
    class="keep"
    text="Keep it in the Shop as a starter"
    :name="part.doc.value!.name"
    :keep="(w, name) => ({ ...w, starters: [...(w.starters ?? []), { id: newId(), name, recipe: forItself(recipe) }] })"
  />
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
</style>
