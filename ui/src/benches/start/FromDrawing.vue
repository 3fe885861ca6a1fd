<script setup lang="ts">
// A part from a drawing: what was read is shown, gaps and crossings at their
// place, and what is to be cut becomes a part.
import { readWhole } from '@/kit/readWhole'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type Hole, type JobView, type PartHead, type Recipe, take, type TracedDrawing, words } from '@/api/client'
import { at, put } from '@/api/pointer'
import { refreshJobs } from '@/api/queries'
import { blankPart } from '@/jobs/starter'
import { alter } from '@/documents/alter'
import { reach } from '@/documents/reach'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FilePick from '@/kit/FilePick.vue'
import FlagList from '@/kit/FlagList.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import AgainstSurvey from './AgainstSurvey.vue'
import SheetFields from './SheetFields.vue'
import TraceView from './TraceView.vue'
import PictureFrame from '@/kit/PictureFrame.vue'
import { once } from '@/kit/once'

const props = defineProps<{ job: JobView; parts: PartHead[] }>()
const emit = defineEmits<{ made: [id: string] }>()
const router = useRouter()
const file = ref<{ name: string; base64: string }>()
const drawing = ref<TracedDrawing>()
const tolerance = ref('')
const unit = ref<'file' | 'mm' | 'in' | 'cm'>('file')
const fitted = ref<number>() // mm a unit is read as, where the survey said so
const layers = ref<string[]>()
const chosen = ref(0)
const wrong = ref('')
const busy = ref(false)
const name = ref('')
const recipe = ref<Recipe>(blankPart(props.job.brief.unit))
const style = computed(() => ({ unit: props.job.brief.unit, grain: props.job.brief.grain }))
const mm = { file: undefined, mm: 1, in: 25.4, cm: 10 }

function pick(f: File) {
  if (f.size > 20e6) {
    wrong.value = `${f.name} is larger than 20 MB: save only what is to be cut.`
    return
  }
  const reader = new FileReader()
  reader.onload = () => {
    file.value = { name: f.name, base64: String(reader.result).replace(/^[^,]*,/, '') }
    name.value = f.name.replace(/\.[^.]*$/, '')
    tolerance.value = ''
    layers.value = undefined
    unit.value = 'file'
    fitted.value = undefined
    chosen.value = 0
    void trace()
  }
  reader.readAsDataURL(f)
}
async function trace() {
  if (!file.value) return
  busy.value = true
  wrong.value = ''
  try {
    drawing.value = await take(
      api.POST('/api/v1/jobs/{id}/trace', {
        params: { path: { id: props.job.id } },
        body: {
          ...file.value,
          tolerance: Number(tolerance.value.replace(',', '.')) || undefined,
          layers: layers.value,
          unitsToMM: fitted.value ?? mm[unit.value],
        },
      }),
    )
    if (chosen.value >= drawing.value.parts.length) chosen.value = 0
  } catch (e) {
    wrong.value = words(e)
    drawing.value = undefined
  }
  busy.value = false
}
function fix(x: { edits?: { path: string; value?: unknown }[] | null }) {
  const to = (path: string) => {
    const v = x.edits?.find((e) => e.path === path)?.value
    return typeof v === 'number' ? v : undefined
  }
  const wide = to('/tolerance')
  const scale = to('/unitsToMM')
  if (wide === undefined && scale === undefined) return
  if (wide !== undefined) tolerance.value = String(wide)
  fitted.value = scale ?? fitted.value
  void trace()
}
function byUnit() {
  fitted.value = undefined
  void trace()
}
function layer(nameOf: string, on: boolean) {
  const now = layers.value ?? drawing.value!.layers.filter((l) => !l.hidden).map((l) => l.name)
  layers.value = on ? [...now, nameOf] : now.filter((l) => l !== nameOf)
  void trace()
}
const used = (l: { name: string; hidden?: boolean }) => (layers.value ? layers.value.includes(l.name) : !l.hidden)
const units = computed(() => [
  { value: 'file' as const, text: drawing.value?.unitsToMM ? 'as the file says' : 'not said by the file' },
  { value: 'mm' as const, text: 'mm' },
  { value: 'cm' as const, text: 'cm' },
  { value: 'in' as const, text: 'inches' },
])
const into = ref('')
const panels = ref<{ value: string; text: string }[]>([])
const panel = ref('/base')
watch(into, async (id) => {
  panels.value = []
  panel.value = '/base'
  if (!id) return
  try {
    const { state } = await reach('part').get(id)
    const built = await take(api.POST('/api/v1/build', { body: { recipe: state.recipe, ...style.value } }))
    if (into.value !== id) return
    const seen = new Set<string>() // a jog's slope goes by the path of what lies beyond it
    panels.value = built.panels
      .filter((x) => !x.id.endsWith('.slope') && !seen.has(x.path) && seen.add(x.path))
      .map((x) => ({ value: x.path, text: x.name }))
  } catch (e) {
    wrong.value = words(e)
  }
})
/** Its outlines as holes of a panel of a part that is there. */
async function cutInto() {
  wrong.value = ''
  try {
    const list = `${panel.value}/holes`
    await alter('part', into.value, (p) => {
      const had = (at(p.recipe, list) as Hole[] | undefined) ?? []
      return { ...p, recipe: put(p.recipe, list, [...had, ...drawing.value!.cutouts]) }
    })
    refreshJobs()
    emit('made', into.value)
  } catch (e) {
    wrong.value = words(e)
  }
}
const start = once(async () => {
  if (!(await readWhole())) return
  const part = drawing.value?.parts[chosen.value]
  if (!part) return
  wrong.value = ''
  try {
    const made = await take(
      api.POST('/api/v1/jobs/{id}/parts', {
        params: { path: { id: props.job.id } },
        body: { name: name.value || 'Traced part', quantity: 1, recipe: { ...recipe.value, base: part.base } },
      }),
    )
    refreshJobs()
    emit('made', made.id)
  } catch (e) {
    wrong.value = words(e)
  }
})
/** Its outline as the first panel of a faceted body; what is cut in it is put on the part that is made of it. */
const face = computed(() => drawing.value?.parts[chosen.value]?.base.shape?.points)
const startBody = once(async () => {
  if (!(await readWhole()) || !face.value) return
  wrong.value = ''
  try {
    const { material, thickness } = recipe.value
    const made = await take(
      api.POST('/api/v1/jobs/{id}/facets', {
        params: { path: { id: props.job.id } },
        body: { name: name.value || 'Traced body', material, thickness, face: face.value },
      }),
    )
    refreshJobs()
    await router.push(`/jobs/${props.job.id}/shape/body/${made.id}`)
  } catch (e) {
    wrong.value = words(e)
  }
})
</script>

<template>
  <div class="from">
    <FilePick wide :label="file ? 'Another drawing' : 'The drawing: DXF or SVG'" accept=".dxf,.svg" @pick="pick" />
    <p v-if="file" class="soft">{{ file.name }}</p>
    <p v-if="busy" class="soft" role="status">Reading it.</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="drawing">
      <div class="both">
        <PictureFrame :name="name || 'drawing'">
          <TraceView :drawing="drawing" :chosen="chosen" />
        </PictureFrame>
        <div class="side">
          <ChoiceRow v-model="unit" label="Its units" :choices="units" @update:model-value="byUnit" />
          <p v-if="fitted">
            A unit is read as <b class="num">{{ +fitted.toPrecision(6) }} mm</b>, to fit what was measured.
            <button type="button" class="press tight" @click="byUnit">Take the units as above</button>
          </p>
          <TextField
            v-model="tolerance"
            :label="`Ends are joined within (drawing units; now ${+drawing.tolerance.toPrecision(3)})`"
            @enter="trace"
          />
          <button type="button" class="press tight" @click="trace">Read it again</button>
          <fieldset v-if="drawing.layers.length > 1" class="layers">
            <legend class="label">Layers to be cut</legend>
            <label v-for="l in drawing.layers" :key="l.name" class="tick">
              <input type="checkbox" :checked="used(l)" @change="layer(l.name, ($event.target as HTMLInputElement).checked)" />
              {{ l.name || 'without a name' }}, {{ l.curves }} lines
            </label>
          </fieldset>
          <FlagList :findings="drawing.findings" @fix="fix" />
        </div>
      </div>
      <form v-if="drawing.parts.length" class="start" @submit.prevent="start">
        <ChoiceRow
          v-if="drawing.parts.length > 1"
          v-model="chosen"
          label="Which outline"
          :choices="drawing.parts.map((p, i) => ({ value: i, text: p.text }))"
        />
        <p v-else>
          It is <b class="num">{{ drawing.parts[0]!.text }}</b>. Check one size you know.
          <b v-if="drawing.open.length">What stays open is left out.</b>
        </p>
        <TextField v-model="name" label="Its name" :maxlength="100" @enter="start" />
        <SheetFields v-model="recipe" :lengths="style" />
        <AgainstSurvey :compared="drawing.parts[chosen]?.compared ?? []" @fix="fix" />
        <p class="row">
          <button type="submit" class="press main">Make a part of it</button>
          <button v-if="face" type="button" class="press" @click="startBody">Start a body from this face</button>
        </p>
      </form>
      <form v-if="drawing.cutouts.length && parts.length" class="start" @submit.prevent="cutInto">
        <PickOne
          v-model="into"
          label="Or cut its outlines into"
          :choices="[{ value: '', text: 'choose a part' }, ...parts.map((p) => ({ value: p.id, text: p.name }))]"
        />
        <ChoiceRow v-if="panels.length > 1" v-model="panel" label="on its" :choices="panels" />
        <button type="submit" class="press" :disabled="!into">Cut it in</button>
        <p class="small soft">They lie about the middle of the panel and are moved like any hole.</p>
      </form>
    </template>
  </div>
</template>

<style scoped>
.from,
.start,
.side {
  display: grid;
  gap: 14px;
  align-content: start;
}
.start {
  max-width: 760px;
}
.start > .press,
.side > .press {
  justify-self: start;
}
.both {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(280px, 1fr);
  gap: 16px;
}
.layers {
  border: 0;
  margin: 0;
  padding: 0;
}
@media (max-width: 900px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
