<script setup lang="ts">
// Where a joint stands on the vehicle: one place, or as many as there are of the
// part, four feet under a press.
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import { type Stand, standKey } from './sides'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView }>()
const joint = computed(() => props.open.brief.value!.joints![props.at]!)
const path = computed(() => `/joints/${props.at}/stands` as const)
const stands = computed<Stand[]>(() => joint.value.stands ?? [])
/** The device whose feet its places are of. */
const stoodBy = computed(() => props.view?.holding.joints.find((j) => j.id === joint.value.id)?.device)
const choices = computed(() => [
  { value: '', text: 'a place that is typed' },
  ...(props.view?.places ?? [])
    .filter((p) => (!p.part || p.part === joint.value.part) && (!p.of || p.of === stoodBy.value))
    .map((p) => ({ value: standKey(p.stand), text: p.name })),
])
const ways = ['forward', 'left', 'up'] as const
/** How a part is turned is said once, by the joint that carries the device. */
const turns = (s: Stand) => !s.placed && (!s.foot || !!joint.value.sides?.some((x) => x.kind === 'device'))
const put = (i: number, s: Stand) =>
  props.open.set(
    path.value,
    stands.value.map((x, k) => (k === i ? s : x)),
  )
function choose(i: number, key: string) {
  const was = stands.value[i]!
  const to = props.view?.places.find((p) => standKey(p.stand) === key)?.stand
  put(i, { ...(to ?? { name: `place ${i + 1}`, at: [0, 0, 0] }), heads: was.heads, turn: was.turn, twin: was.twin })
}
function blank(): Stand {
  const last = stands.value.at(-1)
  const feet = (props.open.brief.value!.devices ?? []).find((d) => d.id === stoodBy.value)?.feet ?? []
  const next = feet.find((f) => !stands.value.some((s) => s.foot === f.id))?.id
  if (next) return { ...(last?.foot ? last : { heads: 'up' as const }), foot: next }
  return { name: `place ${stands.value.length + 1}`, at: [0, 0, 0], heads: 'up' }
}
const keep = (left: Stand[]) => props.open.set(path.value, left.length ? left : undefined)
</script>

<template>
  <div class="stack">
    <h3>Where it stands</h3>
    <p v-if="!stands.length" class="small soft">
      Where its part is placed on the Measure bench. Without that, say it here: at a foot of what it carries, or a place that is
      typed.
    </p>
    <CardList
      :rows="stands"
      word="place"
      add="One more place"
      :make="blank"
      small
      @change="(v) => keep(v)"
      v-slot="{ row: s, i }"
    >
      <div class="place" :data-stand="i">
        <PickOne
          :label="`Place ${i + 1}`"
          :choices="choices"
          :model-value="standKey(s)"
          @update:model-value="(v) => choose(i, v)"
        />
        <template v-if="turns(s)">
          <template v-if="!standKey(s)">
            <ValueField
              v-for="(w, k) in ways"
              :key="w"
              :label="`Lies ${w}`"
              :model-value="s.at?.[k] ?? 0"
              :lengths="open.style.value"
              :wrong="open.fault(`/joints/${at}/stands/${i}/at/${k}`)"
              @update:model-value="(v) => put(i, { ...s, at: [0, 1, 2].map((n) => (n === k ? v : (s.at?.[n] ?? 0))) })"
            />
          </template>
          <PickOne
            label="Its heads look"
            :choices="wordsOf('Stand', 'heads')"
            :model-value="s.heads ?? 'up'"
            @update:model-value="(v) => put(i, { ...s, heads: v })"
          />
          <ValueField
            label="Turned by"
            kind="angle"
            :model-value="s.turn ?? 0"
            :lengths="open.style.value"
            note="its across from forward"
            :wrong="open.fault(`/joints/${at}/stands/${i}/turn`)"
            @update:model-value="(v) => put(i, { ...s, turn: v || undefined })"
          />
          <label class="tick">
            <input type="checkbox" :checked="s.twin ?? false" @change="put(i, { ...s, twin: !s.twin || undefined })" /> the other
            hand
          </label>
        </template>
        <p v-else-if="s.foot" class="small soft says">as the part under the device stands there</p>
      </div>
    </CardList>
  </div>
</template>

<style scoped>
.place {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 14px;
  align-items: start;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
}
.tick,
.says,
.place > .press {
  margin-top: 26px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: var(--touch);
}
.add,
.place > .press {
  justify-self: start;
}
</style>
