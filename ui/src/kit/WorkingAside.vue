<script setup lang="ts">
import { X } from '@lucide/vue'
import { nextTick, ref, watch } from 'vue'
import WorkingCard from './WorkingCard.vue'
import { useWorking } from './working'

const store = useWorking()
const closer = ref<HTMLButtonElement>()
watch(
  () => store.open,
  (w) => w && nextTick(() => closer.value?.focus()),
)
</script>

<template>
  <aside v-if="store.open" class="aside" role="dialog" aria-labelledby="working-title" @keydown.esc="store.close()">
    <div class="head">
      <h2 id="working-title">{{ store.title }}</h2>
      <button ref="closer" type="button" class="press bare tight" aria-label="Close the working" @click="store.close()">
        <X :size="22" />
      </button>
    </div>
    <WorkingCard :working="store.open" />
  </aside>
</template>

<style scoped>
.aside {
  position: fixed;
  inset: 0 0 0 auto;
  width: min(420px, 100vw);
  z-index: 30;
  overflow: auto;
  background: var(--sheet);
  border-left: 2px solid var(--rule-strong);
  padding: 14px 18px 40px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  margin-bottom: 10px;
}
</style>
