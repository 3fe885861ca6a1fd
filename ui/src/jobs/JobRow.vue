<script setup lang="ts">
// One job of the list, with what may be done to it.
import { Archive, ArchiveRestore, Copy, Download, Pencil } from '@lucide/vue'
import type { JobView } from '@/api/client'
import IconPress from '@/kit/IconPress.vue'

defineProps<{ job: JobView; archived: boolean }>()
const emit = defineEmits<{ rename: []; duplicate: []; put: [] }>()
const day = (iso: string) => new Date(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })
</script>

<template>
  <li>
    <RouterLink :to="`/jobs/${job.id}/shape`" class="name">{{ job.brief.name }}</RouterLink>
    <span class="about soft">{{ job.brief.vehicle || 'no vehicle named' }}</span>
    <span class="small soft count">{{ job.parts }} {{ job.parts === 1 ? 'part' : 'parts' }} · {{ day(job.updated) }}</span>
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
  grid-template-columns: minmax(180px, 1.2fr) 1.4fr 190px 184px;
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
