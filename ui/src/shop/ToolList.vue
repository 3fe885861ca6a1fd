<script setup lang="ts">
// Drills, taps and hole saws: holes that are drilled or tapped ask whether theirs are there.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { mayBe, wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { components } from '@/api/schema'
import type { OpenShop } from './useShop'

type ToolKind = components['schemas']['ToolSet']['kind']
const props = defineProps<{ open: OpenShop }>()
const tools = computed(() => props.open.shop.value?.tools ?? [])
const set = (path: string, v: unknown) => props.open.set(`/tools${path}` as never, v as never)
const fault = (path: string) => props.open.faults.value[`/tools${path}`]
/** A box of drills as such a shop buys it. */
const fresh = () => ({
  id: newId(),
  kind: 'drill' as const,
  ...(props.open.inch.value
    ? { series: 'fraction' as const, from: 1.5875, to: 12.7 }
    : { series: 'halves' as const, from: 1, to: 13 }),
})
const kindOf = (i: number, kind: ToolKind) => set(`/${i}`, { id: tools.value[i]!.id, kind })
const asks: Record<string, string> = { socket: 'Across flats', riveter: 'Rivet it sets', stepdrill: 'Step' }
const texts: Record<string, string> = Object.fromEntries(wordsOf('ToolSet', 'kind').map((w) => [w.value, w.text]))
</script>

<template>
  <CardList
    :rows="tools"
    word="set"
    add="Add a set of tools"
    :name="(t) => texts[t.kind]"
    :make="fresh"
    @change="(v) => open.set('/tools', v)"
    ><template #default="{ row: t, i }">
      <article class="set" :data-tools="t.kind">
        <FieldGrid :min="150" low>
          <PickOne
            label="A set of"
            :choices="wordsOf('ToolSet', 'kind')"
            :model-value="t.kind"
            @update:model-value="(v) => kindOf(i, v)"
          />
          <template v-if="t.kind === 'drill'">
            <PickOne
              label="They come by"
              :choices="mayBe('ToolSet', 'series')"
              :model-value="t.series ?? ''"
              @update:model-value="(v) => set(`/${i}/series`, v || undefined)"
            />
            <template v-if="t.series">
              <ValueField
                label="From"
                kind="hole"
                :model-value="t.from ?? null"
                :lengths="open.style.value"
                :wrong="fault(`/${i}/from`)"
                @update:model-value="(v) => set(`/${i}/from`, v)"
              />
              <ValueField
                label="To"
                kind="hole"
                :model-value="t.to ?? null"
                :lengths="open.style.value"
                :wrong="fault(`/${i}/to`)"
                @update:model-value="(v) => set(`/${i}/to`, v)"
              />
            </template>
          </template>
          <ValueField
            v-if="t.kind === 'stepdrill'"
            label="A step is high"
            :model-value="t.high ?? null"
            :lengths="open.style.value"
            :wrong="fault(`/${i}/high`)"
            @update:model-value="(v) => set(`/${i}/high`, v || undefined)"
          />
          <template v-if="t.kind === 'blade'">
            <TextField
              label="Teeth, make"
              :model-value="t.name ?? ''"
              :wrong="fault(`/${i}/name`)"
              @update:model-value="(v) => set(`/${i}/name`, v || undefined)"
            />
            <ValueField
              label="Kerf"
              :model-value="t.kerf ?? null"
              :lengths="open.style.value"
              :wrong="fault(`/${i}/kerf`)"
              @update:model-value="(v) => set(`/${i}/kerf`, v || undefined)"
            />
          </template>
        </FieldGrid>
        <CardList
          v-if="t.kind === 'tap' || t.kind === 'riveter'"
          :rows="t.threads ?? []"
          :word="t.kind === 'tap' ? 'tap' : 'rivet nut'"
          small
          flow
          :add="t.kind === 'tap' ? 'Tap' : 'Rivet nut it sets'"
          :make="() => ({ id: newId(), name: open.inch.value ? '3/8-16' : 'M8' })"
          @change="(v) => set(`/${i}/threads`, v)"
          ><template #default="{ row: x, i: k }">
            <TextField
              label="Thread"
              hide-label
              :model-value="x.name"
              :wrong="fault(`/${i}/threads/${k}/name`)"
              @update:model-value="(v) => set(`/${i}/threads/${k}/name`, v)" /></template
        ></CardList>
        <CardList
          v-if="t.kind !== 'tap' && t.kind !== 'blade' && !t.series"
          :rows="t.sizes ?? []"
          word="size"
          small
          flow
          :add="asks[t.kind] ?? 'Size'"
          :make="() => ({ id: newId(), diameter: open.inch.value ? 12.7 : 12 })"
          @change="(v) => set(`/${i}/sizes`, v)"
          ><template #default="{ row: x, i: k }">
            <ValueField
              label="Diameter"
              hide-label
              kind="hole"
              :model-value="x.diameter"
              :lengths="open.style.value"
              :wrong="fault(`/${i}/sizes/${k}/diameter`)"
              @update:model-value="(v) => set(`/${i}/sizes/${k}/diameter`, v)" /></template
        ></CardList>
      </article> </template
  ></CardList>
</template>

<style scoped>
.set {
  display: grid;
  gap: 10px;
}
</style>
