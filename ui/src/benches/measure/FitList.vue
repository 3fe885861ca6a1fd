<script setup lang="ts">
// A section that slides in another, or a measured pocket and the stock section
// that fills it.
import FieldGrid from '@/kit/FieldGrid.vue'
import { Plus } from '@lucide/vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import type { OpenSurvey } from '@/jobs/useSurvey'
import ReadingField from '@/kit/ReadingField.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { useSections } from '@/api/queries'
import SectionPick from '../frames/SectionPick.vue'

const props = defineProps<{ open: OpenSurvey }>()
const list = computed(() => props.open.survey.value?.fits ?? [])
const told = (id: string) => props.open.worked.value?.fits.find((f) => f.id === id)
const socket = (id: string) => props.open.worked.value?.sockets.find((f) => f.id === id)
const still = [
  { key: 'engaged', label: 'Reaches in', kind: 'length' },
  { key: 'reach', label: 'Mouth to where it is felt', kind: 'length' },
  { key: 'load', label: 'Load across it there', kind: 'force' },
  { key: 'pull', label: 'Load along it', kind: 'force' },
  { key: 'screw', label: 'Draw-up screw', kind: 'length' },
  { key: 'in', label: 'Screw inside the mouth by', kind: 'length' },
  { key: 'torque', label: 'Tightened with', kind: 'moment' },
  { key: 'taper', label: 'Taper, a side', kind: 'angle' },
] as const
type Still = (typeof still)[number]['key']
// The contract of the calculation has its torque in N·m, fields have N·mm.
const kept = (key: Still, v: number | undefined) =>
  key === 'engaged' || key === 'reach' ? (v ?? 0) : key === 'torque' && v ? v / 1000 : v || undefined
const given = (key: Still, v: number | undefined) => (key === 'torque' && v ? v * 1000 : (v ?? null))
const inner = [
  { key: 'width', label: 'width' },
  { key: 'height', label: 'height' },
  { key: 'corner', label: 'corner radius' },
  { key: 'plus', label: 'may be larger by' },
  { key: 'minus', label: 'may be smaller by' },
  { key: 'coat', label: 'coat, a face' },
] as const
const outer = [...inner, { key: 'seam', label: 'seam stands in by' }] as const
const slide = () => ({
  id: newId(),
  name: '',
  slide: inches.value
    ? { inner: { width: 38.1, height: 38.1, corner: 3.175 }, outer: { width: 40.48125, height: 40.48125, corner: 1.5875 } }
    : { inner: { width: 40, height: 40, corner: 3 }, outer: { width: 42, height: 42, corner: 2 } },
})
const inches = computed(() => props.open.style.value.unit !== 'mm')
const { data: sections } = useSections()
/** The sizes of a bought section, outside or inside, with how far it may be off. */
function bought(i: number, side: 'inner' | 'outer', name: string) {
  const s = sections.value?.sections.find((x) => x.name === name)
  const { inner, outer } = list.value[i]!.slide!
  if (!s) return
  const { width, height, diameter } = s.sizes
  const { real } = s
  if (side === 'inner') {
    const off = real?.off
    const across = diameter ? { width: diameter, height: undefined } : { width: width ?? 0, height: height || width }
    props.open.set(`/fits/${i}/slide/inner`, { ...inner, ...across, corner: real?.outside, plus: off, minus: off })
  } else if (real)
    props.open.set(`/fits/${i}/slide/outer`, {
      ...outer,
      width: real.width,
      height: real.height,
      corner: real.corner,
      plus: real.inside,
      minus: real.inside,
      seam: real.seam,
    })
}
const pocket = () => ({
  id: newId(),
  name: '',
  pocket: { width: { least: true }, height: { least: true }, inches: props.open.style.value.unit !== 'mm' || undefined },
})
</script>

<template>
  <div class="stack">
    <CardList :rows="list" word="fit" :name="(f) => f.name" @change="(v) => open.set('/fits', v)"
      ><template #default="{ row: f, i }">
        <article class="one" :data-fit="f.name">
          <div class="head">
            <TextField label="Fit" :model-value="f.name" @update:model-value="(v) => open.set(`/fits/${i}/name`, v)" />
          </div>
          <ResultLine :result="told(f.id)" />
          <template v-if="f.slide">
            <FieldGrid :min="200" low>
              <SectionPick
                label="Goes in: a bought section"
                model-value=""
                :inches="inches"
                @update:model-value="(name) => bought(i, 'inner', name)"
              />
              <SectionPick
                label="Goes into: a bought section"
                model-value=""
                :inches="inches"
                @update:model-value="(name) => bought(i, 'outer', name)"
              />
            </FieldGrid>
            <p class="soft small">A bought section gives its sizes as its standard has them; what is measured goes over them.</p>
            <h3>What goes in, outside</h3>
            <FieldGrid :min="130" low>
              <ValueField
                v-for="k in inner"
                :key="k.key"
                :label="k.label"
                :model-value="f.slide.inner[k.key] ?? null"
                :lengths="open.style.value"
                :wrong="open.fault(`/fits/${i}/slide/inner/${k.key}`)"
                @update:model-value="(v) => open.set(`/fits/${i}/slide/inner/${k.key}`, v || undefined)"
              />
            </FieldGrid>
            <h3>What it goes into, inside</h3>
            <FieldGrid :min="130" low>
              <ValueField
                v-for="k in outer"
                :key="k.key"
                :label="k.label"
                :model-value="f.slide.outer[k.key] ?? null"
                :lengths="open.style.value"
                :wrong="open.fault(`/fits/${i}/slide/outer/${k.key}`)"
                @update:model-value="(v) => open.set(`/fits/${i}/slide/outer/${k.key}`, v || undefined)"
              />
            </FieldGrid>
            <FieldGrid :min="130" low>
              <ValueField
                label="Liner, a face"
                :model-value="f.slide.liner ?? null"
                :lengths="open.style.value"
                :wrong="open.fault(`/fits/${i}/slide/liner`)"
                @update:model-value="(v) => open.set(`/fits/${i}/slide/liner`, v)"
              />
              <ValueField
                label="Liner is squashed by, share"
                kind="number"
                :model-value="f.slide.squash ?? null"
                :lengths="open.style.value"
                :wrong="open.fault(`/fits/${i}/slide/squash`)"
                @update:model-value="(v) => open.set(`/fits/${i}/slide/squash`, v)"
              />
              <ValueField
                label="Clearance wanted, a side"
                :model-value="f.slide.want ?? null"
                :lengths="open.style.value"
                :usual="0.25"
                :wrong="open.fault(`/fits/${i}/slide/want`)"
                @update:model-value="(v) => open.set(`/fits/${i}/slide/want`, v)"
              />
            </FieldGrid>
            <label class="tick">
              <input
                type="checkbox"
                :checked="!!f.still"
                @change="
                  open.set(
                    `/fits/${i}/still`,
                    f.still ? undefined : { play: 0, engaged: inches ? 101.6 : 100, reach: inches ? 304.8 : 300 },
                  )
                "
              />
              It must stand in there without play
            </label>
            <template v-if="f.still">
              <ResultLine :result="socket(f.id)" />
              <FieldGrid :min="130" low>
                <ValueField
                  v-for="k in still"
                  :key="k.key"
                  :label="k.label"
                  :kind="k.kind"
                  :model-value="given(k.key, f.still[k.key])"
                  :lengths="open.style.value"
                  :wrong="open.fault(`/fits/${i}/still/${k.key}`)"
                  @update:model-value="(v) => open.set(`/fits/${i}/still/${k.key}`, kept(k.key, v))"
                />
              </FieldGrid>
              <p class="soft small">The play is the most its sizes leave. A screw or a taper takes it up; a pin keeps it.</p>
            </template>
          </template>
          <FieldGrid v-else-if="f.pocket" :min="130" low>
            <ReadingField
              label="Pocket width"
              :model-value="f.pocket.width"
              :lengths="open.style.value"
              note="the smallest of several counts"
              :wrong="(n) => open.fault(`/fits/${i}/pocket/width/values/${n}`)"
              @update:model-value="(v) => open.set(`/fits/${i}/pocket/width`, { ...v, least: true })"
            />
            <ReadingField
              label="Pocket height"
              :model-value="f.pocket.height"
              :lengths="open.style.value"
              :wrong="(n) => open.fault(`/fits/${i}/pocket/height/values/${n}`)"
              @update:model-value="(v) => open.set(`/fits/${i}/pocket/height`, { ...v, least: true })"
            />
            <ValueField
              label="Play, a side"
              :model-value="f.pocket.play ?? null"
              :lengths="open.style.value"
              :wrong="open.fault(`/fits/${i}/pocket/play`)"
              @update:model-value="(v) => open.set(`/fits/${i}/pocket/play`, v)"
            />
            <label class="tick"
              ><input
                type="checkbox"
                :checked="f.pocket.inches"
                @change="open.set(`/fits/${i}/pocket/inches`, ($event.target as HTMLInputElement).checked || undefined)"
              />
              sections in inches</label
            >
          </FieldGrid>
        </article> </template
      ><template #adds="{ add }">
        <button type="button" class="press" @click="add(slide())"><Plus :size="18" aria-hidden="true" />Add a sliding fit</button>
        <button type="button" class="press" @click="add(pocket())">
          <Plus :size="18" aria-hidden="true" />Add a pocket to fill
        </button>
      </template></CardList
    >
  </div>
</template>

<style scoped>
.one {
  display: grid;
  gap: 10px;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 420px) auto;
  justify-content: space-between;
  align-items: end;
}
</style>
