<script setup lang="ts">
// Two people changed the same things of one document: what both changed otherwise is
// joined, and here it is chosen, place by place.
import { ref } from 'vue'
import DialogBox from '@/kit/DialogBox.vue'
import type { Kind, State } from './reach'
import type { OpenDocument } from './useDocument'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ open: OpenDocument }>()
defineSlots<{ drawn(p: { theirs: State<Kind> }): unknown }>()
const mine = ref<Record<string, boolean>>({})
const busy = ref(false)
const places = () => props.open.clash.value!.places
const all = (on: boolean) => (mine.value = Object.fromEntries(places().map((p) => [p.path, on])))
all(true)
async function go() {
  busy.value = true
  await props.open.settleClash(
    places()
      .filter((p) => mine.value[p.path])
      .map((p) => p.path),
  )
  busy.value = false
}
</script>

<template>
  <DialogBox show wide unasked title="Two versions" @close="() => {}">
    <p>
      Somebody saved revision {{ open.clash.value!.revision }} while you worked, and changed the same as you.
      <template v-if="open.clash.value!.why">The two cannot stand together: {{ open.clash.value!.why }}</template>
      <template v-else>Everything else of both is joined. Choose what stands here.</template>
    </p>
    <TableFrame name="What both changed">
      <thead>
        <tr>
          <th scope="col">What both changed</th>
          <th scope="col">Yours, here</th>
          <th scope="col">Theirs, saved</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(p, i) in open.clash.value!.places" :key="p.path">
          <th scope="row">{{ p.what }}</th>
          <td v-for="own in [true, false]" :key="String(own)">
            <label class="pick" :class="{ on: mine[p.path] === own }">
              <input v-model="mine[p.path]" type="radio" :name="`place ${i}`" :value="own" />
              {{ own ? p.mine : p.theirs }}
            </label>
          </td>
        </tr>
      </tbody>
    </TableFrame>
    <slot name="drawn" :theirs="open.clash.value!.state as State<Kind>" />
    <p class="soft small">Theirs stays a revision in any case, and yours becomes one as far as it stands.</p>
    <template #actions>
      <template v-if="open.clash.value!.places.length > 1">
        <button type="button" class="press" @click="all(false)">Theirs everywhere</button>
        <button type="button" class="press" @click="all(true)">Yours everywhere</button>
      </template>
      <button type="button" class="press main" :disabled="busy" @click="go">Join like this</button>
    </template>
  </DialogBox>
</template>

<style scoped>
.scroll {
  position: relative; /* what is hidden for the eye stays inside */
  overflow: auto;
  max-height: 40dvh;
}
.pick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: var(--touch);
  cursor: pointer;
  overflow-wrap: anywhere;
}
.pick input {
  width: 20px;
  height: 20px;
  flex: none;
  accent-color: var(--ember);
}
.on {
  font-weight: 640;
}
</style>
