<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { onMounted, onUnmounted, watch } from 'vue'
import { useRouter } from 'vue-router'
import { whenSignedOut } from './api/client'
import { useSession } from './door/session'
import Rail from './Rail.vue'
import { listen } from './keys/keys'
import { away, whenBack } from './api/away'
import { busy, stopWaiting } from './api/busy'
import { queryClient } from './api/queries'
import { loadWords } from './api/words'
import KeysBox from './keys/KeysBox.vue'
import { asked } from './documents/leaving'
import UsedBox from './documents/UsedBox.vue'
import WorkingAside from './kit/WorkingAside.vue'
import { useNaiveTheme } from './theme'

const naive = useNaiveTheme()
const router = useRouter()
const { session, onlyLooks } = useSession()
const toDoor = async () => {
  await router.isReady()
  if (!router.currentRoute.value.meta.open) await router.replace('/sign-in')
}
whenSignedOut(() => void toDoor())
watch(session, (s) => (s?.state === 'setup' || s?.state === 'out') && void toDoor())
whenBack(() => {
  void loadWords()
  void queryClient.invalidateQueries()
})
let off = () => {}
onMounted(() => (off = listen()))
onUnmounted(() => off())
</script>

<template>
  <NConfigProvider :theme="naive.theme" :theme-overrides="naive.overrides" abstract>
    <a class="skip" href="#bench">Skip to the bench</a>
    <div class="frame">
      <Rail />
      <main id="bench" tabindex="-1">
        <p v-if="away" class="away" role="alert">
          {{ away }} What you type is kept on this device and sent by itself when that is over.
        </p>
        <p v-if="busy" class="busy" role="status">
          {{ busy }} <button type="button" class="press tight" @click="stopWaiting">Stop</button>
        </p>
        <p v-if="onlyLooks" class="looks small">You look at this as a reader; changes are not kept.</p>
        <RouterView />
      </main>
      <WorkingAside />
      <KeysBox />
      <UsedBox
        :name="asked?.name ?? ''"
        :by="asked?.by ?? []"
        why="Without it these lose what they name. Undo brings it back."
        go="Remove it"
        @answer="(go) => asked?.answer(go)"
      />
    </div>
  </NConfigProvider>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: var(--rail) 1fr;
  height: 100dvh;
}
main {
  position: relative; /* so that hidden labels scroll with it, not with the page */
  overflow: auto;
  min-width: 0;
  outline: none;
}
.away {
  position: sticky;
  top: 0;
  z-index: 30;
  background: var(--mind-wash);
  border-bottom: 2px solid var(--mind);
  padding: 10px 16px;
}
.busy {
  position: sticky;
  top: 0;
  z-index: 30;
  display: flex;
  align-items: center;
  gap: 16px;
  background: var(--sunk);
  border-bottom: 2px solid var(--ink-soft);
  padding: 6px 16px;
}
.looks {
  background: var(--sunk);
  padding: 4px 16px;
}
.skip {
  position: absolute;
  left: 8px;
  top: -60px;
  background: var(--ember);
  color: var(--on-ember);
  padding: 12px 16px;
  z-index: 50;
}
.skip:focus {
  top: 8px;
}
@media (max-width: 900px) {
  .frame {
    grid-template-columns: 1fr;
    grid-template-rows: 1fr auto;
  }
  main {
    order: -1;
  }
}
</style>
