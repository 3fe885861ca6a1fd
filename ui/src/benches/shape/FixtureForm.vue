<script setup lang="ts">
// The fixture that holds the studs of this part square: two plates with its holes.
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, Refused, take, words } from '@/api/client'
import { refreshJobs, usePartStarters } from '@/api/queries'
import FieldGrid from '@/kit/FieldGrid.vue'
import { once } from '@/kit/once'
import PickOne from '@/kit/PickOne.vue'
import { readWhole } from '@/kit/readWhole'
import ValueField from '@/kit/ValueField.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; job: string }>()
const router = useRouter()
const part = computed(() => props.bench.part.value!)
const built = computed(() => part.value.built.value!)
const lengths = computed(() => props.bench.style())
const faces = computed(() =>
  built.value.panels
    .map((p) => ({
      value: p.id,
      text: p.name,
      n: built.value.holes.filter((h) => h.panel === p.id && h.kind === 'round').length,
    }))
    .filter((p) => p.n > 0)
    .map((p) => ({ value: p.value, text: `${p.text}, ${p.n} ${p.n === 1 ? 'hole' : 'holes'}` })),
)
const chosen = ref('')
const panel = computed(() => faces.value.find((f) => f.value === chosen.value)?.value ?? faces.value[0]?.value ?? '')
const { data: starters } = usePartStarters()
const usual = (key: string) => {
  const a = starters.value?.starters.find((s) => s.key === 'studs')?.asks.find((x) => x.key === key)
  return a ? (lengths.value.unit === 'mm' ? a.usual : a.inch) : 0
}
const stud = ref<number>()
const play = ref<number>()
const border = ref<number>()
const bolt = ref<number>()
const through = ref(false)
const wrong = ref('')
const faults = ref<Record<string, string>>({})
const make = once(async () => {
  if (!(await readWhole())) return
  wrong.value = ''
  faults.value = {}
  try {
    await part.value.send()
    const made = await take(
      api.POST('/api/v1/parts/{id}/fixture', {
        params: { path: { id: part.value.view.value!.id } },
        body: {
          panel: panel.value,
          stud: stud.value,
          play: through.value ? (play.value ?? 0) : (play.value ?? usual('play')),
          border: border.value ?? usual('border'),
          bolt: bolt.value ?? usual('bolt'),
          through: through.value || undefined,
        },
      }),
    )
    refreshJobs()
    await router.push(`/jobs/${props.job}/shape/${made.parts[0]!.id}`)
  } catch (e) {
    wrong.value = words(e)
    if (e instanceof Refused) faults.value = Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message]))
  }
})
</script>

<template>
  <details v-if="faces.length && starters && !built.round" class="fixture" data-fixture>
    <summary>A fixture for studs in these holes</summary>
    <form @submit.prevent="make">
      <p class="small soft">
        Two plates alike with a hole where each round hole of one face is, held apart by tube: studs stand square in both while
        they are welded in.
      </p>
      <PickOne
        v-if="faces.length > 1"
        label="The face"
        :choices="faces"
        :model-value="panel"
        @update:model-value="(v) => (chosen = v)"
      />
      <FieldGrid :min="150">
        <ValueField
          label="Studs, diameter"
          note="each hole's own when empty"
          optional
          :model-value="stud ?? null"
          :lengths="lengths"
          :wrong="faults['/stud']"
          @update:model-value="(v) => (stud = v)"
          @clear="stud = undefined"
        />
        <ValueField
          label="Play in a hole"
          :model-value="play ?? (through ? 0 : usual('play'))"
          :lengths="lengths"
          :wrong="faults['/play']"
          @update:model-value="(v) => (play = v)"
        />
        <ValueField
          label="Border"
          note="twice the stud or the bolt at least"
          :model-value="border ?? usual('border')"
          :lengths="lengths"
          :wrong="faults['/border']"
          @update:model-value="(v) => (border = v)"
        />
        <ValueField
          label="Bolts through the tubes, hole"
          :model-value="bolt ?? usual('bolt')"
          :lengths="lengths"
          :wrong="faults['/bolt']"
          @update:model-value="(v) => (bolt = v)"
        />
      </FieldGrid>
      <label class="tick">
        <input v-model="through" type="checkbox" />
        Drill its holes through this part, which is then its master
      </label>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <button class="press">Make the fixture</button>
    </form>
  </details>
</template>

<style scoped>
.fixture {
  margin-top: 14px;
}
form {
  display: grid;
  gap: 12px;
  padding-top: 8px;
}
form > button {
  justify-self: start;
}
</style>
