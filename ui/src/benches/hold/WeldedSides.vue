<script setup lang="ts">
// What is welded to what, of which metal, laid of which, and where.
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import { useStock } from '@/api/queries'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import FieldGrid from '@/kit/FieldGrid.vue'
import FillerPick from '@/kit/FillerPick.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { given, sideKey } from './sides'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const { data: stock } = useStock()
const joint = computed(() => props.open.brief.value!.welded![props.at]!)
const { set, fault } = props.open.under(() => `/welded/${props.at}` as const)
const choices = (k: number) => [
  { value: '', text: k ? 'typed here' : 'choose' },
  ...(props.view?.sides ?? [])
    .filter((s) => s.side.kind !== 'device' && (k || s.side.kind !== 'vehicle'))
    .map((s) => ({ value: sideKey(s.side), text: s.name })),
]
const own = (k: number, key: string) => {
  const side = props.view?.sides.find((s) => sideKey(s.side) === key)?.side ?? {}
  const now = joint.value.sides[k]!
  set(
    `/sides/${k}`,
    given(side) ? side : { ...now, kind: undefined, of: undefined, member: undefined, placed: undefined, ...side },
  )
}
/** Where a part stands, of one that stands more than once. */
const places = (of?: string) =>
  (props.view?.places ?? []).filter((p) => of && p.part === of).map((p) => ({ value: p.stand.placed!, text: p.name }))
const materials = computed(() => [
  { value: '', text: 'choose' },
  ...(stock.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })),
])
</script>

<template>
  <section class="stack">
    <h2>What is welded to what</h2>
    <FieldGrid :min="200" keep>
      <template v-for="(side, k) in joint.sides" :key="k">
        <PickOne
          :label="k ? 'On to' : 'The edges of'"
          :choices="choices(k)"
          :model-value="sideKey(side)"
          @update:model-value="(v) => own(k, v)"
        />
        <PickOne
          v-if="places(side.of).length > 1"
          label="Which of them"
          :choices="[{ value: '', text: 'not said' }, ...places(side.of)]"
          :model-value="side.placed ?? ''"
          @update:model-value="(v) => set(`/sides/${k}/placed` as never, (v || undefined) as never)"
        />
        <template v-if="k && !given(side)">
          <TextField
            label="Called"
            :model-value="side.name ?? ''"
            @update:model-value="(v) => set('/sides/1/name', v || undefined)"
          />
          <PickOne
            label="Its metal"
            :choices="materials"
            :model-value="side.material ?? ''"
            @update:model-value="(v) => set('/sides/1/material', v || undefined)"
          />
          <ValueField
            label="Its thickness as measured"
            :model-value="side.thickness ?? null"
            :lengths="open.style.value"
            :wrong="fault('/sides/1/thickness')"
            @update:model-value="(v) => set('/sides/1/thickness', v ?? undefined)"
          />
          <label class="tick"
            ><input
              type="checkbox"
              :checked="side.guessed ?? false"
              @change="set('/sides/1/guessed', !side.guessed || undefined)"
            />
            nobody measured it</label
          >
        </template>
      </template>
      <FillerPick :model-value="joint.filler" @update:model-value="(v) => set('/filler', v)" />
      <PickOne
        label="Welded"
        :choices="wordsOf('Welded', 'where')"
        :model-value="joint.where ?? 'bench'"
        @update:model-value="(v) => set('/where', v === 'bench' ? undefined : v)"
      />
      <TextField
        label="Hidden later by"
        :model-value="joint.shown ?? ''"
        @update:model-value="(v) => set('/shown', v || undefined)"
      />
      <TextField
        label="Note for whoever welds it"
        :model-value="joint.note ?? ''"
        @update:model-value="(v) => set('/note', v || undefined)"
      />
    </FieldGrid>
  </section>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  align-self: end;
}
</style>
