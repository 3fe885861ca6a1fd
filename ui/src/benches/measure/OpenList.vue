<script setup lang="ts">
// What is not settled yet; strength and safety hold the files of what they concern.
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import { useThings } from './things'

const props = defineProps<{ open: OpenBrief; job: string }>()
const things = useThings(() => props.job, 'everything of the job')
const list = computed(() => props.open.brief.value?.open ?? [])
</script>

<template>
  <div class="stack">
    <CardList
      :rows="list"
      word="question"
      :name="(o) => o.text"
      add="Add a question"
      :make="() => ({ id: newId(), text: '', kind: 'strength' as const })"
      @change="(v) => open.set('/open', v)"
      v-slot="{ row: o, i }"
    >
      <div class="item" :class="{ done: o.done }">
        <label class="tick"
          ><input
            type="checkbox"
            :checked="o.done"
            @change="open.set(`/open/${i}/done`, ($event.target as HTMLInputElement).checked || undefined)"
          />
          settled</label
        >
        <TextField label="Question" :model-value="o.text" @update:model-value="(v) => open.set(`/open/${i}/text`, v)" />
        <PickOne
          label="It is about"
          :choices="wordsOf('OpenItem', 'kind')"
          :model-value="o.kind"
          @update:model-value="(v) => open.set(`/open/${i}/kind`, v)"
        />
        <PickOne
          v-if="o.kind !== 'other'"
          label="It holds back"
          :choices="things"
          :model-value="o.of ?? ''"
          @update:model-value="(v) => open.set(`/open/${i}/of`, v || undefined)"
        />
        <span v-else />
      </div>
    </CardList>
  </div>
</template>

<style scoped>
.item {
  grid-template-columns: 96px minmax(180px, 1fr) 130px 190px;
}
.done {
  opacity: 0.75;
}
@media (max-width: 760px) {
  .item {
    grid-template-columns: 1fr;
  }
}
</style>
