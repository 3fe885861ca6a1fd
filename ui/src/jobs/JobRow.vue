<script setup lang="ts">
// One job of the list, with what may be done to it.
import { Archive, ArchiveRestore, Copy, Download, Pencil } from '@lucide/vue'
import { computed } from 'vue'
import type { JobView, Waits } from '@/api/client'
import IconPress from '@/kit/IconPress.vue'

const props = defineProps<{ job: JobView; archived: boolean; waits?: Waits }>()
const emit = defineEmits<{ rename: []; duplicate: []; put: [] }>()
/** What waits, worst first, each with the bench where it is settled. */
const open = computed(() => {
  const w = props.waits
  if (!w) return []
  return [
    { is: 'over', list: w.stops, text: 'do not cut', to: 'shape' },
    { is: 'over', list: w.over, text: 'over', to: 'hold' },
    { is: 'over', list: w.close, text: 'too close', to: 'measure/room' },
    { is: 'cannot-say', list: w.cannotSay, text: 'cannot say', to: 'hold' },
    { is: 'measure', list: w.measure, text: 'to measure again', to: 'make' },
    { is: 'measure', list: w.first, text: 'first pieces to measure', to: 'make' },
  ].filter((x) => x.list.length)
})
const day = (iso: string) => new Date(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })
</script>

<template>
  <li>
    <RouterLink :to="`/jobs/${job.id}/shape`" class="name">{{ job.brief.name }}</RouterLink>
    <span class="about soft"
      >{{ job.brief.vehicle || 'no vehicle named' }}
      <span class="small count"
        >{{ job.parts }} {{ job.parts === 1 ? 'part' : 'parts' }} · {{ day(job.updated)
        }}<template v-if="job.brief.limits?.date"> · ready by {{ day(job.brief.limits.date) }}</template></span
      ></span
    >
    <span class="waits">
      <RouterLink v-for="x in open" :key="x.text" :to="`/jobs/${job.id}/${x.to}`" :class="x.is" :title="x.list.join('; ')"
        ><b class="num">{{ x.list.length }}</b> {{ x.text }}</RouterLink
      >
      <span v-if="waits && !open.length" class="small soft">nothing waits</span>
    </span>
    <span class="row acts">
      <IconPress :icon="Pencil" :size="20" :name="`Rename ${job.brief.name}`" tip="Rename" @click="emit('rename')" />
      <IconPress :icon="Copy" :size="20" :name="`Duplicate ${job.brief.name}`" tip="Duplicate" @click="emit('duplicate')" />
      <IconPress
        :icon="Download"
        :size="20"
        :href="`/api/v1/jobs/${job.id}/export`"
        download
        :name="`Take ${job.brief.name} away as a file`"
        tip="Take away as a file"
      />
      <IconPress
        :icon="archived ? ArchiveRestore : Archive"
        :size="20"
        :name="`${archived ? 'Bring back' : 'Put away'} ${job.brief.name}`"
        :tip="archived ? 'Bring back' : 'Put away'"
        @click="emit('put')"
      />
    </span>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(200px, 1.6fr) minmax(0, 1fr) minmax(150px, 1fr) 184px;
  gap: 4px 18px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  padding: 10px 0;
}
.name {
  color: var(--ink);
  font-weight: 640;
  font-size: 1.15rem;
  min-height: var(--touch);
  display: flex;
  align-items: center;
  overflow-wrap: anywhere;
}
.about {
  overflow: hidden;
  text-overflow: ellipsis;
}
.count {
  display: block;
}
.waits {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
.waits a {
  color: var(--ink);
  min-height: 32px;
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.waits .over {
  color: var(--stop);
  font-weight: 640;
}
.waits .cannot-say {
  color: var(--mind);
  font-weight: 560;
}
.acts {
  gap: 0;
  flex-wrap: nowrap;
}
.acts :deep(.press) {
  min-height: var(--touch);
  min-width: var(--touch);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
