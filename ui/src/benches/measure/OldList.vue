<script setup lang="ts">
// An old part: how it failed, and its sizes beside those of what takes its place.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import Frac from '@/kit/Frac.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ReadingField from '@/kit/ReadingField.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import { useThings } from './things'

const props = defineProps<{ open: OpenSurvey; job: string }>()
const things = useThings(() => props.job, 'nothing yet')
const list = computed(() => props.open.survey.value?.olds ?? [])
const told = (id: string) => props.open.worked.value?.olds.find((o) => o.id === id)
const size = (id: string, of: string) => told(id)?.sizes.find((s) => s.id === of)
const sized = (id: string) => [
  { value: '', text: 'nothing' },
  ...(told(id)?.sized ?? []).map((s) => ({ value: s.key, text: s.name })),
]
</script>

<template>
  <div class="stack">
    <p class="soft small">
      What comes off tells where it was bolted, what it cleared and where it gave. Measure it before it is gone.
    </p>
    <CardList
      :rows="list"
      word="old part"
      :name="(o) => o.name"
      add="Add an old part"
      :make="() => ({ id: newId(), name: '', sizes: [{ id: newId(), name: '', value: {} }] })"
      @change="(v) => open.set('/olds', v)"
      v-slot="{ row: o, i }"
    >
      <article class="old" :data-old="o.name">
        <FieldGrid :min="200">
          <TextField label="Old part" :model-value="o.name" @update:model-value="(v) => open.set(`/olds/${i}/name`, v)" />
          <PickOne
            label="What takes its place"
            :choices="things"
            :model-value="o.for ?? ''"
            @update:model-value="(v) => open.set(`/olds/${i}/for`, v || undefined)"
          />
          <TextField
            label="Made of, held by"
            :model-value="o.made ?? ''"
            @update:model-value="(v) => open.set(`/olds/${i}/made`, v || undefined)"
          />
          <TextField
            label="How it failed, or why it goes"
            :model-value="o.failed ?? ''"
            @update:model-value="(v) => open.set(`/olds/${i}/failed`, v || undefined)"
          />
        </FieldGrid>
        <CardList
          small
          :rows="o.sizes ?? []"
          word="size"
          :name="(z) => z.name"
          add="Add a size"
          :make="() => ({ id: newId(), name: '', value: {} })"
          @change="(v) => open.set(`/olds/${i}/sizes`, v)"
          v-slot="{ row: z, i: k }"
        >
          <div class="size" :data-size="z.name">
            <TextField
              label="Size"
              :model-value="z.name"
              @update:model-value="(v) => open.set(`/olds/${i}/sizes/${k}/name`, v)"
            />
            <ReadingField
              label="It was"
              :model-value="z.value"
              :lengths="open.style.value"
              :wrong="(n) => open.fault(`/olds/${i}/sizes/${k}/value/values/${n}`)"
              @update:model-value="(v) => open.set(`/olds/${i}/sizes/${k}/value`, v)"
            />
            <PickOne
              label="Now it is the size"
              :choices="sized(o.id)"
              :model-value="z.now ?? ''"
              @update:model-value="(v) => open.set(`/olds/${i}/sizes/${k}/now`, v || undefined)"
            />
            <div class="now" :class="size(o.id, z.id)?.verdict">
              <p v-if="size(o.id, z.id)?.now">
                <span class="small soft">now</span> <b class="num big"><Frac :text="size(o.id, z.id)!.now" /></b>
                <span class="small soft">by</span> <span class="num"><Frac :text="size(o.id, z.id)!.differs" /></span>
              </p>
              <p class="small">{{ size(o.id, z.id)?.says }}</p>
            </div>
            <TextField
              v-if="size(o.id, z.id)?.now"
              class="why"
              label="Why it differs"
              :model-value="z.why ?? ''"
              @update:model-value="(v) => open.set(`/olds/${i}/sizes/${k}/why`, v || undefined)"
            />
          </div>
        </CardList>
        <ResultLine v-if="o.sizes?.length" :result="told(o.id)" />
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.old {
  display: grid;
  gap: 12px;
}
.size {
  display: grid;
  grid-template-columns: minmax(130px, 1fr) minmax(150px, 1fr) minmax(150px, 1fr) minmax(150px, 1fr);
  gap: 8px 14px;
  align-items: start;
}
.why {
  grid-column: 1 / -1;
}
.now {
  padding: 22px 0 0 10px;
  border-left: 4px solid var(--rule-strong);
}
.now.doubtful {
  border-color: var(--mind);
}
.now.bad {
  border-color: var(--stop);
}
.big {
  font-size: 1.25rem;
}
@media (max-width: 980px) {
  .size {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 640px) {
  .size {
    grid-template-columns: 1fr;
  }
}
</style>
