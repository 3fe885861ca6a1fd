<script setup lang="ts">
// Every kept state of a document; any of them can be held against what stands and
// brought back.
import { onMounted, ref, shallowRef } from 'vue'
import { words } from '@/api/client'
import DialogBox from '@/kit/DialogBox.vue'
import TimeLine from '@/kit/TimeLine.vue'
import { type Difference, type Kept, type Kind, reach, type State } from './reach'
import type { OpenDocument } from './useDocument'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ open: OpenDocument & { change: (next: never) => void } }>()
const emit = defineEmits<{ close: [] }>()
defineSlots<{ drawn(p: { was: State<Kind> }): unknown }>()
const list = ref<Kept[]>()
const wrong = ref('')
const beside = shallowRef<{ number: number; state: State<Kind>; differs: Difference[] }>()
const remote = reach(props.open.kind)

async function safely(what: () => Promise<void>) {
  try {
    await what()
    wrong.value = ''
  } catch (e) {
    wrong.value = words(e)
  }
}
onMounted(() =>
  safely(async () => {
    await props.open.send()
    list.value = await remote.revisions(props.open.id.value)
  }),
)
const look = (number: number) =>
  safely(async () => {
    const id = props.open.id.value
    const [state, differs] = await Promise.all([remote.revision(id, number), remote.since(id, number)])
    beside.value = { number, state, differs }
  })
const bring = (number: number) =>
  safely(async () => {
    props.open.change((beside.value?.state ?? (await remote.revision(props.open.id.value, number))) as never)
    emit('close')
  })
const when = (iso: string) =>
  new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
</script>

<template>
  <DialogBox show wide :title="beside ? `Revision ${beside.number} and what stands` : 'Revisions'" @close="emit('close')">
    <template v-if="beside">
      <p v-if="!beside.differs.length" class="soft">They say the same.</p>
      <TableFrame v-else name="What differs">
        <thead>
          <tr>
            <th scope="col">What differs</th>
            <th scope="col">r{{ beside.number }}</th>
            <th scope="col">Stands now</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(d, i) in beside.differs" :key="i">
            <th scope="row">{{ d.what }}</th>
            <td>{{ d.was || '–' }}</td>
            <td class="num">{{ d.now || '–' }}</td>
          </tr>
        </tbody>
      </TableFrame>
      <slot name="drawn" :was="beside.state" />
    </template>
    <TimeLine
      v-else-if="list"
      class="list"
      label="What was kept"
      :rows="list"
      :of="(r) => r.number"
      :now="open.view.value?.revision"
      v-slot="{ row: r }"
    >
      <div class="kept">
        <span class="num">r{{ r.number }}</span>
        <span
          >{{ r.summary }} <span class="soft small">{{ r.who ? `${r.who}, ` : '' }}{{ when(r.created) }}</span></span
        >
        <span v-if="r.number === open.view.value?.revision" class="soft">stands now</span>
        <span v-else class="row">
          <button
            type="button"
            class="press tight bare"
            :aria-label="`Compare r${r.number} with what stands`"
            @click="look(r.number)"
          >
            Compare
          </button>
          <button type="button" class="press tight" @click="bring(r.number)">Bring back</button>
        </span>
      </div>
    </TimeLine>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template #actions>
      <template v-if="beside">
        <button type="button" class="press" @click="beside = undefined">Back to the list</button>
        <button type="button" class="press main" @click="bring(beside.number)">Bring r{{ beside.number }} back</button>
      </template>
      <button v-else type="button" class="press" @click="emit('close')">Close</button>
    </template>
  </DialogBox>
</template>

<style scoped>
.scroll {
  position: relative; /* what is hidden for the eye stays inside */
  overflow: auto;
  max-height: 34dvh;
}
.list {
  max-height: 50dvh;
  position: relative; /* what is hidden for the eye stays inside */
  overflow: auto;
}
.kept {
  display: grid;
  grid-template-columns: 52px 1fr auto;
  gap: 10px;
  align-items: center;
}
</style>
