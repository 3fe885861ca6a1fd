<script setup lang="ts" generic="T">
// What came after what, the newest first; one of them stands now.
import { NTimeline, NTimelineItem } from 'naive-ui'

defineProps<{ rows: T[]; of: (row: T) => string | number; now?: string | number; label: string }>()
defineSlots<{ default(p: { row: T }): unknown }>()
</script>

<template>
  <NTimeline role="list" :aria-label="label" size="large">
    <NTimelineItem v-for="r in rows" :key="of(r)" role="listitem" :type="of(r) === now ? 'success' : 'default'">
      <slot :row="r" />
    </NTimelineItem>
  </NTimeline>
</template>
