<script setup lang="ts">
// How old the newest backup is, and what is wrong with the daily ones.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/api/client'

const { data } = useQuery({
  queryKey: ['backups'],
  queryFn: () => take(api.GET('/api/v1/backups', {})),
  refetchInterval: 10 * 60_000,
})
const age = computed(() => {
  if (!data.value?.last) return ''
  const hours = Math.floor((Date.now() - Date.parse(data.value.last)) / 3_600_000)
  if (hours < 1) return 'less than an hour old'
  return hours < 48 ? `${hours} h old` : `${Math.floor(hours / 24)} days old`
})
const wrong = computed(() => data.value?.late || data.value?.wrong)
</script>

<template>
  <p v-if="data?.kept" class="small backup" :class="{ wrong }" :role="wrong ? 'alert' : undefined">
    <template v-if="age">The newest backup is {{ age }}; {{ data.count }} {{ data.count === 1 ? 'is' : 'are' }} kept</template>
    <template v-else>There is no backup yet</template>
    <template v-if="data.dir">
      in <span class="path">{{ data.dir }}</span></template
    >. {{ data.wrong }}
  </p>
</template>

<style scoped>
.backup {
  color: var(--ink-soft);
}
.backup.wrong {
  color: inherit;
  background: var(--mind-wash);
  border-left: 4px solid var(--mind);
  padding: 8px 12px;
}
.path {
  overflow-wrap: anywhere;
}
</style>
