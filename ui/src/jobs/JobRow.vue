<script setup lang="ts">
// One job of the list, with what may be done to it.
import { Archive, ArchiveRestore, Copy, Download, Pencil } from '@lucide/vue'
import type { JobView } from '@/api/client'

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
      <button
        type="button"
        class="press tight bare"
        :aria-label="`Rename ${job.brief.name}`"
        title="Rename"
        @click="emit('rename')"
      >
        <Pencil :size="20" />
      </button>
      <button
        type="button"
        class="press tight bare"
        :aria-label="`Duplicate ${job.brief.name}`"
        title="Duplicate"
        @click="emit('duplicate')"
      >
        <Copy :size="20" />
      </button>
      <a
        class="press tight bare"
        :href="`/api/v1/jobs/${job.id}/export`"
        download
        :aria-label="`Take ${job.brief.name} away as a file`"
        title="Take away as a file"
      >
        <Download :size="20" />
      </a>
      <button
        type="button"
        class="press tight bare"
        :aria-label="`${archived ? 'Bring back' : 'Put away'} ${job.brief.name}`"
        :title="archived ? 'Bring back' : 'Put away'"
        @click="emit('put')"
      >
        <component :is="archived ? ArchiveRestore : Archive" :size="20" />
      </button>
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
.acts .press {
  min-height: var(--touch);
  min-width: var(--touch);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
