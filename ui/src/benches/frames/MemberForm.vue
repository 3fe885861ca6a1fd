<script setup lang="ts">
// One member: where it runs, of what, what of it lies on the line, its ends.
import { computed } from 'vue'
import type { FrameTold } from '@/api/client'
import { useSections } from '@/api/queries'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { newId } from '@/api/ids'
import KeepInShop from '@/shop/KeepInShop.vue'
import EndForm from './EndForm.vue'
import SectionPick from './SectionPick.vue'
import SizeFields from './SizeFields.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; index: number; piece?: FrameTold['pieces'][number] }>()
const at = computed(() => `/members/${props.index}` as const)
const m = computed(() => props.open.doc.value!.members![props.index]!)
const { data: lists } = useSections()
const inches = computed(() => props.open.style.value.unit !== 'mm')
const upright = computed(() => (m.value.section.height ?? 0) >= (m.value.section.width ?? 0))
function setStock(name: string) {
  const s = lists.value?.sections.find((x) => x.name === name)
  if (s)
    props.open.set(at.value, { ...m.value, stock: name, section: s.sizes.kind === 'rectTube' ? stood(s.sizes, true) : s.sizes })
}
const stood = (s: typeof m.value.section, up: boolean) => {
  const [a, b] = [Math.min(s.width ?? 0, s.height ?? 0), Math.max(s.width ?? 0, s.height ?? 0)]
  return { ...s, width: up ? a : b, height: up ? b : a }
}
const oblong = computed(
  () =>
    (m.value.section.kind === 'rectTube' || m.value.section.kind === 'flatBar') &&
    m.value.section.width !== m.value.section.height,
)
</script>

<template>
  <TextField label="Name" :model-value="m.name" @update:model-value="(v) => open.set(`${at}/name`, v)" />
  <div class="cells">
    <PickOne
      label="From"
      :choices="open.points.value"
      :model-value="m.from"
      @update:model-value="(v) => open.set(`${at}/from`, v)"
    />
    <PickOne label="To" :choices="open.points.value" :model-value="m.to" @update:model-value="(v) => open.set(`${at}/to`, v)" />
  </div>
  <SectionPick label="Section" :model-value="m.stock ?? ''" :inches="inches" @update:model-value="setStock" />
  <details>
    <summary>Typed sizes</summary>
    <SizeFields
      :section="m.section"
      :lengths="open.style.value"
      :fault="(p) => open.fault(`${at}/section${p}` as never)"
      @change="(s) => open.set(at, { ...m, section: s, stock: undefined })"
    />
    <KeepInShop
      v-if="!m.stock"
      text="Keep this section in the Shop"
      name=""
      :keep="(w, name) => ({ ...w, sections: [...(w.sections ?? []), { id: newId(), name, sizes: m.section }] })"
    />
  </details>
  <ChoiceRow
    v-if="oblong"
    label="It stands"
    :choices="[
      { value: true, text: 'long side up' },
      { value: false, text: 'long side flat' },
    ]"
    :model-value="upright"
    @update:model-value="(v) => open.set(`${at}/section`, stood(m.section, v))"
  />
  <div class="cells">
    <PickOne
      label="Its line runs, sideways"
      :choices="wordsOf('MemberMember', 'across')"
      :model-value="m.across ?? 'middle'"
      @update:model-value="(v) => open.set(`${at}/across`, v)"
    />
    <PickOne
      label="and in height"
      :choices="wordsOf('MemberMember', 'up')"
      :model-value="m.up ?? 'middle'"
      @update:model-value="(v) => open.set(`${at}/up`, v)"
    />
    <ValueField
      label="Turned about its axis"
      kind="angle"
      :model-value="m.turn ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/turn`)"
      @update:model-value="(v) => open.set(`${at}/turn`, v)"
    />
  </div>
  <EndForm :open="open" :at="`${at}/a`" :end="m.a" :self="m.id" word="First end" :told="piece?.ends[0]" />
  <EndForm :open="open" :at="`${at}/b`" :end="m.b" :self="m.id" word="Second end" :told="piece?.ends[1]" />
  <div class="cells">
    <ValueField
      label="Left on until the final survey"
      :model-value="m.trim ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/trim`)"
      @update:model-value="(v) => open.set(`${at}/trim`, v || undefined)"
    />
    <ValueField
      label="Buckling length, times its own"
      kind="number"
      :model-value="m.k || null"
      note="2 for what stands or has a free end, else 1, when left empty"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/k`)"
      @update:model-value="(v) => open.set(`${at}/k`, v)"
    />
  </div>
  <label class="tick">
    <input
      type="checkbox"
      :checked="m.drain"
      @change="open.set(`${at}/drain`, ($event.target as HTMLInputElement).checked || undefined)"
    />
    Vent and drain holes
  </label>
  <label class="tick">
    <input
      type="checkbox"
      :checked="!!m.splice"
      @change="open.set(`${at}/splice`, ($event.target as HTMLInputElement).checked ? { at: 500, kind: 'sleeve' } : undefined)"
    />
    Spliced of two pieces
  </label>
  <div v-if="m.splice" class="cells">
    <ValueField
      label="Splice, from the first point"
      :model-value="m.splice.at"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/splice/at`)"
      @update:model-value="(v) => open.set(`${at}/splice/at`, v)"
    />
    <PickOne
      label="Joined by"
      :choices="wordsOf('MemberSplice', 'kind')"
      :model-value="m.splice.kind"
      @update:model-value="(v) => open.set(`${at}/splice/kind`, v)"
    />
    <p v-if="piece?.splice" class="soft small">{{ piece.splice }}</p>
  </div>
</template>

<style scoped>
summary {
  cursor: pointer;
  min-height: 36px;
}
</style>
