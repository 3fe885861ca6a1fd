<script setup lang="ts">
// What is added to a welded joint by one press: a gusset, a doubler, a strip, or a seam to a second neighbour.
import { computed, ref } from 'vue'
import { api, type HoldingView, take, words } from '@/api/client'
import { newId } from '@/api/ids'
import { refreshJobs } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'

const props = defineProps<{ open: OpenBrief; at: number; view?: HoldingView; job: string }>()
const joint = computed(() => props.open.brief.value!.welded![props.at]!)
const seams = computed(() => (joint.value.seams ?? []).filter((s) => s.panel && !s.on))
const chosen = ref('')
const seam = computed(() => seams.value.find((s) => s.id === chosen.value) ?? seams.value[0])
const kinds = computed(() => {
  const s = seam.value
  if (!s || joint.value.braces || joint.value.corner) return []
  return [
    ...(s.form === 'fillet'
      ? [
          { kind: 'gusset' as const, text: 'A gusset in its corner' },
          { kind: 'doubler' as const, text: 'A doubler under it' },
        ]
      : []),
    ...(s.form === 'fillet' || s.form === 'butt'
      ? [{ kind: 'bridge' as const, text: s.form === 'butt' ? 'A splice plate over it' : 'A strip over its gap' }]
      : []),
  ]
})
/** Placed parts that touch this one and are not held to it yet. */
const ties = computed(() =>
  (props.view?.touching ?? []).filter((t) => t.joint.sides.some((x) => x.of && joint.value.sides.some((y) => y.of === x.of))),
)
/** Other places of the first part that are not welded yet. */
const elsewhere = computed(() => {
  const first = joint.value.sides[0]!
  if (first.kind !== 'part' || joint.value.braces || joint.value.corner) return []
  return (props.view?.places ?? [])
    .filter((p) => p.part === first.of && !props.open.brief.value!.welded!.some((w) => w.sides[0]!.placed === p.stand.placed))
    .map((p) => ({ placed: p.stand.placed!, name: p.name }))
})
const taken = computed(() => joint.value.sides[0]!.placed)
function same() {
  const copies = elsewhere.value.map((s) => ({
    ...joint.value,
    id: newId(),
    name: `${joint.value.name}, ${s.name}`.slice(0, 120),
    sides: [{ ...joint.value.sides[0]!, placed: s.placed }, joint.value.sides[1]!],
    seams: (joint.value.seams ?? []).filter((q) => !q.on).map((q) => ({ ...q, id: newId() })),
  })) as (typeof joint.value)[]
  props.open.set('/welded', [...props.open.brief.value!.welded!, ...copies])
}
const busy = ref(false)
const wrong = ref('')
const done = ref('')
async function add(kind: 'gusset' | 'doubler' | 'bridge') {
  busy.value = true
  wrong.value = done.value = ''
  try {
    await props.open.send()
    const made = await take(
      api.POST('/api/v1/jobs/{id}/weld-add', {
        params: { path: { id: props.job } },
        body: { joint: joint.value.id, seam: seam.value!.id, kind },
      }),
    )
    await props.open.refetch()
    refreshJobs()
    done.value = `${made.parts[0]!.name} is in the job, placed, with its seams.`
  } catch (e) {
    wrong.value = words(e)
  } finally {
    busy.value = false
  }
}
function tie(i: number) {
  const t = ties.value[i]!
  props.open.set('/welded', [
    ...props.open.brief.value!.welded!,
    { ...t.joint, id: newId(), seams: (t.joint.seams ?? []).map((s) => ({ ...s, id: newId() })) },
  ])
}
</script>

<template>
  <section v-if="kinds.length || ties.length || elsewhere.length" class="stack" data-adds>
    <h2>Add to it</h2>
    <div v-if="kinds.length" class="row adds">
      <PickOne
        v-if="seams.length > 1"
        label="At"
        :choices="seams.map((s) => ({ value: s.id, text: s.name || s.id }))"
        :model-value="seam?.id ?? ''"
        @update:model-value="(v) => (chosen = v)"
      />
      <button v-for="k in kinds" :key="k.kind" type="button" class="press tight" :disabled="busy" @click="add(k.kind)">
        {{ k.text }}
      </button>
    </div>
    <div v-for="(t, i) in ties" :key="t.name" class="row adds">
      <button type="button" class="press tight" @click="tie(i)">Tie {{ t.name }} too</button>
      <span class="small soft">{{ t.says }}</span>
    </div>
    <div v-if="taken && elsewhere.length" class="row adds">
      <button type="button" class="press tight" @click="same">
        The same at {{ elsewhere.length === 1 ? 'its other place' : `its ${elsewhere.length} other places` }}
      </button>
      <span class="small soft">{{ elsewhere.map((s) => s.name).join(', ') }}</span>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="done" role="status">{{ done }}</p>
  </section>
</template>

<style scoped>
.adds {
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
}
</style>
