<script setup lang="ts">
// One machine: what it is called, where it stands, whether it is there, what it takes, what
// is looked at before it is used, and what was done to it.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import DateField from '@/kit/DateField.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import type { Kind } from '@/kit/readLength'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop; i: number }>()
const m = computed(() => props.open.shop.value!.machines![props.i]!)
const kind = computed(() => props.open.kinds.value.find((k) => k.kind === m.value.kind))
const sort = computed(() => kind.value?.sorts.find((s) => s.sort === m.value.sort))
const usual = computed(() => (props.open.inch.value ? sort.value?.inch : sort.value?.mm) ?? {})
const limits = computed(() => (kind.value?.limits ?? []).filter((l) => l.key in usual.value || l.key in (m.value.limits ?? {})))
const is = { length: 'length', force: 'force', rate: 'rate', angle: 'angle', mass: 'mass', number: 'number' } as Record<
  string,
  Kind
>
const at = computed(() => `/machines/${props.i}` as const)

function limit(key: string, v: number | undefined) {
  const next = { ...m.value.limits }
  if (v === undefined) delete next[key]
  else next[key] = v
  props.open.set(`${at.value}/limits` as never, (Object.keys(next).length ? next : undefined) as never)
}
const set = (path: string, v: unknown) => props.open.set(`${at.value}${path}` as never, v as never)
const readied = () => (sort.value?.ready ?? []).map((text) => ({ id: newId(), text }))
</script>

<template>
  <article class="machine" :data-machine="m.sort">
    <FieldGrid :min="180" low>
      <TextField
        label="Called"
        :model-value="m.name ?? ''"
        :placeholder="`the ${sort?.text ?? 'machine'}`"
        :wrong="open.fault(`${at}/name`)"
        @update:model-value="(v) => set('/name', v || undefined)"
      />
      <ChoiceRow
        label="It stands"
        :choices="wordsOf('Machine', 'where')"
        :model-value="m.where ?? 'own'"
        @update:model-value="(v) => set('/where', v === 'own' ? undefined : v)"
      />
      <TextField
        v-if="m.where && m.where !== 'own'"
        label="At"
        :model-value="m.of ?? ''"
        :wrong="open.fault(`${at}/of`)"
        @update:model-value="(v) => set('/of', v || undefined)"
      />
    </FieldGrid>
    <label class="tick"
      ><input type="checkbox" :checked="!!m.away" @change="set('/away', m.away ? undefined : true)" /> It is not there now</label
    >
    <TextField
      v-if="m.away"
      label="Why, and until when"
      :model-value="m.why ?? ''"
      :wrong="open.fault(`${at}/why`)"
      @update:model-value="(v) => set('/why', v || undefined)"
    />
    <FieldGrid :min="150" low>
      <ValueField
        v-for="l in limits"
        :key="l.key"
        :label="l.text"
        :kind="is[l.quantity]"
        :model-value="m.limits?.[l.key] ?? null"
        :lengths="open.style.value"
        :usual="usual[l.key] || undefined"
        optional
        :wrong="open.fault(`${at}/limits/${l.key}`)"
        @update:model-value="(v) => limit(l.key, v)"
        @clear="limit(l.key, undefined)"
      />
    </FieldGrid>
    <p v-if="kind && !kind.asked" class="soft small">Kept for what comes: no check asks its limits yet.</p>
    <p v-if="kind?.caution" class="mind">{{ kind.caution }}</p>
    <details>
      <summary>Booked, looked at before use, done to it</summary>
      <CardList
        :rows="m.booked ?? []"
        word="booking"
        small
        add="Book it"
        :make="() => ({ id: newId(), from: '', for: '' })"
        @change="(v) => set('/booked', v)"
        ><template #default="{ row, i: k }">
          <FieldGrid :min="130" low>
            <DateField
              label="From"
              :model-value="row.from"
              :wrong="open.fault(`${at}/booked/${k}/from`)"
              @update:model-value="(v) => set(`/booked/${k}/from`, v)"
            />
            <DateField
              label="To, last day"
              :model-value="row.to ?? ''"
              :wrong="open.fault(`${at}/booked/${k}/to`)"
              @update:model-value="(v) => set(`/booked/${k}/to`, v || undefined)"
            />
            <TextField
              label="For: job or person"
              :model-value="row.for"
              :wrong="open.fault(`${at}/booked/${k}/for`)"
              @update:model-value="(v) => set(`/booked/${k}/for`, v)"
            />
          </FieldGrid> </template
      ></CardList>
      <CardList
        :rows="m.ready ?? []"
        word="look"
        small
        add="Something to look at"
        :make="() => ({ id: newId(), text: '' })"
        @change="(v) => set('/ready', v)"
        ><template #default="{ row, i: k }">
          <TextField
            label="Look at"
            hide-label
            :model-value="row.text"
            :wrong="open.fault(`${at}/ready/${k}/text`)"
            @update:model-value="(v) => set(`/ready/${k}/text`, v)" /></template
      ></CardList>
      <button v-if="!m.ready?.length && sort?.ready.length" type="button" class="press tight" @click="set('/ready', readied())">
        Take the usual list
      </button>
      <CardList
        :rows="m.care ?? []"
        word="entry"
        small
        add="Something done to it"
        :make="() => ({ id: newId(), date: '', text: '' })"
        @change="(v) => set('/care', v)"
        ><template #default="{ row, i: k }">
          <FieldGrid :min="150" low>
            <DateField label="Day" :model-value="row.date" @update:model-value="(v) => set(`/care/${k}/date`, v)" />
            <TextField
              label="What was done, or was wrong"
              :model-value="row.text"
              :wrong="open.fault(`${at}/care/${k}/text`)"
              @update:model-value="(v) => set(`/care/${k}/text`, v)"
            />
          </FieldGrid>
          <label class="tick"
            ><input type="checkbox" :checked="!!row.fault" @change="set(`/care/${k}/fault`, row.fault ? undefined : true)" /> It
            was a fault</label
          ></template
        ></CardList
      >
    </details>
  </article>
</template>

<style scoped>
.machine {
  display: grid;
  gap: 10px;
}
details > * {
  margin-top: 10px;
}
</style>
