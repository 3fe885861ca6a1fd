<script setup lang="ts">
// What a new part is made of and how.
import FieldGrid from '@/kit/FieldGrid.vue'
import { useStock } from '@/api/queries'
import type { Recipe } from '@/api/client'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import type { Style } from '@/kit/readLength'

const recipe = defineModel<Recipe>({ required: true })
defineProps<{ lengths: Style; faults?: Record<string, string> }>()
const { data: stock } = useStock()
const set = (more: Partial<Recipe>) => (recipe.value = { ...recipe.value, ...more })
</script>

<template>
  <FieldGrid v-if="stock" :min="200">
    <PickOne
      label="Material"
      :choices="stock.materials.map((m) => ({ value: m.key, text: m.name }))"
      :model-value="recipe.material"
      @update:model-value="(v) => set({ material: v })"
    />
    <ValueField
      label="Thickness"
      :model-value="recipe.thickness"
      :lengths="lengths"
      :family="stock.materials.find((m) => m.key === recipe.material)?.family"
      :wrong="faults?.['/recipe/thickness']"
      @update:model-value="(v) => set({ thickness: v })"
    />
    <PickOne
      label="Cut by"
      :choices="stock.processes.map((p) => ({ value: p.key as Recipe['process'], text: p.name }))"
      :model-value="recipe.process"
      @update:model-value="(v) => set({ process: v })"
    />
  </FieldGrid>
</template>
