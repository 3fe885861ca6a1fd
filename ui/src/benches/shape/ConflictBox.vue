<script setup lang="ts">
// Two people on one part: both versions stand side by side, neither is lost.
import { computed, ref } from 'vue'
import { words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import DialogBox from '@/kit/DialogBox.vue'
import type { OpenPart } from './usePart'

const props = defineProps<{ part: OpenPart }>()
const wrong = ref('')
const busy = ref(false)

type Flat = Record<string, string>
function leaves(v: unknown, path: string, out: Flat) {
  if (v !== null && typeof v === 'object')
    for (const [k, x] of Object.entries(v)) leaves(x, `${path} ${/^\d+$/.test(k) ? Number(k) + 1 : k}`, out)
  else out[path.trim()] = String(v)
}
const rows = computed(() => {
  const mine: Flat = {}
  const theirs: Flat = {}
  leaves(props.part.state.value, '', mine)
  const t = props.part.theirs.value!
  leaves({ name: t.name, quantity: t.quantity, recipe: t.recipe }, '', theirs)
  return [...new Set([...Object.keys(mine), ...Object.keys(theirs)])]
    .filter((k) => mine[k] !== theirs[k] && !k.endsWith(' id'))
    .map((k) => ({ what: k.replace(/^recipe /, ''), mine: mine[k] ?? 'not there', theirs: theirs[k] ?? 'not there' }))
})

async function go(how: () => Promise<void>) {
  busy.value = true
  try {
    await how()
    refreshJobs()
  } catch (e) {
    wrong.value = words(e)
  }
  busy.value = false
}
</script>

<template>
  <DialogBox show wide title="Two versions of this part" @close="() => {}">
    <p>Somebody saved revision {{ part.theirs.value!.revision }} while you worked. Nothing is lost: choose what stands.</p>
    <div class="scroll-x rows">
      <table>
        <thead>
          <tr>
            <th scope="col">What differs</th>
            <th scope="col">Yours, here</th>
            <th scope="col">Theirs, saved</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows.slice(0, 60)" :key="r.what">
            <th scope="row">{{ r.what }}</th>
            <td>{{ r.mine }}</td>
            <td>{{ r.theirs }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="!rows.length" class="soft">Both say the same.</p>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template #actions>
      <button type="button" class="press" :disabled="busy" @click="go(part.takeTheirs)">
        Take theirs, keep yours as a part of its own
      </button>
      <button type="button" class="press main" :disabled="busy" @click="go(part.keepMine)">
        Yours stands, theirs stays a revision
      </button>
    </template>
  </DialogBox>
</template>

<style scoped>
.rows {
  max-height: 40dvh;
  overflow: auto;
}
</style>
