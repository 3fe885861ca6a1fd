<script setup lang="ts">
// How one end of a member is cut, and what that says to the saw.
import { computed } from 'vue'
import type { FrameEnd, FrameTold } from '@/api/client'
import { shows, wordsOf } from '@/api/words'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import CornerPress from './CornerPress.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{
  open: OpenFrame
  at: `/members/${number}/a` | `/members/${number}/b`
  end?: FrameEnd
  self: string
  word: string
  told?: FrameTold['pieces'][number]['ends'][number]
}>()
const end = computed(() => props.end ?? {})
const set = (more: FrameEnd) => props.open.set(props.at, { ...end.value, ...more })
const asks = (field: string) => shows('MemberEnd', 'kind', end.value.kind || 'square', field)
const formed = computed(() => props.told?.kind === 'fold' || props.told?.kind === 'bend')
</script>

<template>
  <fieldset class="end">
    <legend>
      <b>{{ word }}</b> <span v-if="told" class="soft">{{ told.words }}</span>
    </legend>
    <p v-if="formed" class="small">It goes on in one piece: the point says how.</p>
    <div v-else class="cells">
      <PickOne
        :label="`${word} is`"
        :choices="wordsOf('MemberEnd', 'kind')"
        :model-value="end.kind || 'square'"
        @update:model-value="(v) => set({ kind: v })"
      />
      <PickOne
        v-if="asks('onto')"
        :label="`${word} meets`"
        :choices="open.members.value.filter((m) => m.value !== self)"
        :model-value="end.onto ?? ''"
        @update:model-value="(v) => set({ onto: v })"
      />
      <ValueField
        :label="`${word} set back`"
        :model-value="end.back ?? 0"
        :lengths="open.style.value"
        :wrong="open.fault(`${at}/back`)"
        @update:model-value="(v) => set({ back: v || undefined })"
      />
      <ValueField
        v-if="asks('gap')"
        :label="`${word}: gap for the weld`"
        :model-value="end.gap ?? 0"
        :lengths="open.style.value"
        :wrong="open.fault(`${at}/gap`)"
        @update:model-value="(v) => set({ gap: v || undefined })"
      />
      <ValueField
        :label="`${word}: fillet leg`"
        :model-value="end.leg ?? null"
        :lengths="open.style.value"
        note="the wall when left empty"
        :wrong="open.fault(`${at}/leg`)"
        @update:model-value="(v) => set({ leg: v || undefined })"
      />
      <label class="tick">
        <input
          type="checkbox"
          :checked="end.hinged"
          @change="set({ hinged: ($event.target as HTMLInputElement).checked || undefined })"
        />
        One bolt: it turns
      </label>
    </div>
    <CornerPress v-if="told?.onto && !formed" :open="open" :member="self" :end="at.endsWith('a') ? 'a' : 'b'" />
    <p v-if="told?.filler" class="small soft">{{ told.filler }}</p>
    <p v-if="told?.fold" class="small soft">{{ told.fold }}</p>
    <p v-if="told && told.slant > 0 && !formed" class="small">
      <span class="num">{{ told.axis }}</span> from the axis, saw at <span class="num">{{ told.scale }}</span>
    </p>
  </fieldset>
</template>

<style scoped>
.end {
  border: 0;
  border-top: 1px solid var(--rule);
  padding: 10px 0 0;
  margin: 0;
  min-width: 0;
  display: grid;
  gap: 8px;
}
</style>
