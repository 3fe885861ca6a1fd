<script setup lang="ts">
// Two people on one part: both versions stand side by side, neither is lost.
import { ref } from 'vue'
import { words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import DialogBox from '@/kit/DialogBox.vue'
import type { Style } from '@/kit/readLength'
import DifferenceTable from './DifferenceTable.vue'
import FlatOverlay from './FlatOverlay.vue'
import type { OpenPart } from './usePart'

defineProps<{ part: OpenPart; lengths: Style }>()
const wrong = ref('')
const busy = ref(false)

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
    <DifferenceTable
      :was="part.state.value!"
      :now="part.theirs.value!"
      :lengths="lengths"
      :heads="['Yours, here', 'Theirs, saved']"
    />
    <FlatOverlay :was="part.state.value!.recipe" :now="part.theirs.value!.recipe" :lengths="lengths" />
    <p class="soft small">Dashed is yours, drawn out is theirs.</p>
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
