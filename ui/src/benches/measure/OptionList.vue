<script setup lang="ts">
// Ways it could be done, side by side, and why one was taken.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { OpenBrief } from '@/jobs/useBrief'
import TextField from '@/kit/TextField.vue'
import { useQuery } from '@tanstack/vue-query'
import { api, take } from '@/api/client'
import { mayBe } from '@/api/words'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{ open: OpenBrief }>()
const job = computed(() => props.open.page.value?.job.id ?? '')
const asked = computed(() => props.open.brief.value?.options?.some((o) => o.kind))
/** What the ways cost and take, worked out of the job as it is kept. */
const { data: effort } = useQuery({
  queryKey: computed(() => ['effort', job.value, props.open.page.value?.job.revision, props.open.view.value?.revision]),
  queryFn: () => take(api.GET('/api/v1/jobs/{id}/effort', { params: { path: { id: job.value } } })),
  enabled: () => !!job.value && !!asked.value,
  placeholderData: (was) => was,
})
const told = (id: string) => effort.value?.ways.find((w) => w.id === id)
const numbers = [
  { key: 'price' as const, label: 'Price', made: 'Bought in for it' },
  { key: 'hours' as const, label: 'Own hours', made: 'More hours' },
  { key: 'days' as const, label: 'Days till it comes', made: 'Days waited for' },
  { key: 'years' as const, label: 'Years it serves', made: 'Years it serves' },
  { key: 'yearly' as const, label: 'A year to run', made: 'A year to run' },
]
const looked = (o: { seen?: string[] }, key: string, is: boolean) =>
  is ? [...(o.seen ?? []), key] : (o.seen ?? []).filter((k) => k !== key)
const list = computed(() => props.open.brief.value?.options ?? [])
const choose = (id: string) =>
  props.open.set(
    '/options',
    list.value.map((o) => ({ ...o, chosen: o.id === id || undefined })),
  )
</script>

<template>
  <CardList
    class="ways"
    flow
    :rows="list"
    word="way"
    :name="(o) => `way ${o.name}`"
    add="Add a way"
    :make="() => ({ id: newId(), name: '' })"
    @change="(v) => open.set('/options', v)"
    v-slot="{ row: o, i }"
  >
    <div class="way" :class="{ on: o.chosen }">
      <TextField label="Way" :model-value="o.name" @update:model-value="(v) => open.set(`/options/${i}/name`, v)" />
      <TextField
        label="For it"
        :rows="2"
        :model-value="o.for ?? ''"
        @update:model-value="(v) => open.set(`/options/${i}/for`, v)"
      />
      <TextField
        label="Against it"
        :rows="2"
        :model-value="o.against ?? ''"
        @update:model-value="(v) => open.set(`/options/${i}/against`, v)"
      />
      <PickOne
        label="It is"
        :choices="mayBe('Option', 'kind')"
        :model-value="o.kind ?? ''"
        @update:model-value="(v) => open.set(`/options/${i}/kind`, v || undefined)"
      />
      <template v-if="o.kind">
        <FieldGrid :min="100" low>
          <ValueField
            v-for="f in numbers"
            :key="f.key"
            :label="o.kind === 'make' ? f.made : f.label"
            kind="number"
            optional
            :model-value="o[f.key] ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/options/${i}/${f.key}`)"
            @update:model-value="(v) => open.set(`/options/${i}/${f.key}`, v)"
            @clear="open.set(`/options/${i}/${f.key}`, undefined)"
          />
        </FieldGrid>
        <PickOne
          v-if="o.kind !== 'make'"
          label="It fits"
          :choices="mayBe('Option', 'fit')"
          :model-value="o.fit ?? ''"
          @update:model-value="(v) => open.set(`/options/${i}/fit`, v || undefined)"
        />
        <fieldset v-if="o.kind === 'used' && effort" class="looks">
          <legend>Looked at on the spot, and sound</legend>
          <label v-for="l in effort.looks" :key="l.key" class="tick"
            ><input
              type="checkbox"
              :checked="o.seen?.includes(l.key) ?? false"
              @change="open.set(`/options/${i}/seen`, looked(o, l.key, ($event.target as HTMLInputElement).checked))"
            />{{ l.text }}</label
          >
        </fieldset>
        <div v-if="told(o.id)" class="told" :data-way="o.kind">
          <p>
            <span
              >costs <b class="num">{{ told(o.id)!.cost?.toFixed(0) ?? '?' }}</b></span
            >
            <span v-if="told(o.id)!.hours"
              ><b class="num">{{ told(o.id)!.hours!.toFixed(1) }}</b> h of own work</span
            >
            <span
              >in <b class="num">{{ told(o.id)!.days == null ? '?' : Math.ceil(told(o.id)!.days!) }}</b> days</span
            >
            <span v-if="told(o.id)!.year != null"
              ><b class="num">{{ told(o.id)!.year!.toFixed(0) }}</b> a year</span
            >
            <b v-if="told(o.id)!.best" class="best">{{ told(o.id)!.best }}</b>
          </p>
          <p class="small soft">
            {{ told(o.id)!.says
            }}<template v-if="told(o.id)!.lacks.length">. Not known: {{ told(o.id)!.lacks.join(', ') }}</template
            ><template v-if="told(o.id)!.unseen.length"
              >. Not looked at: {{ told(o.id)!.unseen.length }} of {{ effort!.looks.length }}</template
            >.
          </p>
        </div>
      </template>
      <TextField
        v-if="o.chosen"
        label="Why it was taken"
        :rows="2"
        :model-value="o.reason ?? ''"
        @update:model-value="(v) => open.set(`/options/${i}/reason`, v)"
      />
      <div class="row">
        <button type="button" class="press tight" :aria-pressed="!!o.chosen" @click="choose(o.chosen ? '' : o.id)">
          {{ o.chosen ? 'Taken' : 'Take this way' }}
        </button>
      </div>
    </div>
  </CardList>
</template>

<style scoped>
.ways {
  --flow: 300px;
}
.ways :deep(.card) {
  grid-template-columns: minmax(0, 1fr) auto;
}
.way {
  display: grid;
  gap: 8px;
}
.told p:first-child {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
.looks {
  border: 1px solid var(--rule);
  padding: 4px 10px 8px;
  display: grid;
  gap: 2px;
}
.best {
  color: var(--ember);
}
.on {
  border-top: 3px solid var(--ember);
  padding-top: 5px;
}
</style>
