<script setup lang="ts">
// Punches, dies and fingers: every bend is bent against them, step by step.
import { computed, ref } from 'vue'
import { words } from '@/api/client'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import CardList from '@/kit/CardList.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import FilePick from '@/kit/FilePick.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { largestOutline } from './outline'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
const tools = computed(() => props.open.shop.value?.bendTools ?? [])
type Tool = (typeof tools.value)[number]
const set = (path: string, v: unknown) => props.open.set(`/bendTools${path}` as never, v as never)
const fault = (path: string) => props.open.faults.value[`/bendTools${path}`]
const texts: Record<string, string> = Object.fromEntries(wordsOf('BendTool', 'kind').map((w) => [w.value, w.text]))
/** What each kind is measured by. */
const sizes: Record<Tool['kind'], { key: keyof Tool; label: string; angle?: boolean }[]> = {
  straight: [
    { key: 'angle', label: "Tip's angle", angle: true },
    { key: 'width', label: 'Wide' },
    { key: 'height', label: 'High' },
  ],
  gooseneck: [
    { key: 'angle', label: "Tip's angle", angle: true },
    { key: 'width', label: 'Neck, wide' },
    { key: 'throat', label: 'Neck stands back' },
    { key: 'height', label: 'High' },
  ],
  die: [
    { key: 'opening', label: 'Opening' },
    { key: 'angle', label: 'Angle', angle: true },
    { key: 'width', label: 'Block, wide' },
    { key: 'height', label: 'High' },
  ],
  fingers: [
    { key: 'nose', label: 'Nose' },
    { key: 'height', label: 'High' },
    { key: 'lean', label: 'Front leans', angle: true },
  ],
}
const usual = (kind: Tool['kind']) => ({
  ...props.open.bendTools.value.find((t) => t.kind === kind)!,
  id: newId(),
})
const kindOf = (i: number, kind: Tool['kind']) =>
  set(`/${i}`, { ...usual(kind), id: tools.value[i]!.id, name: tools.value[i]!.name })
const drawn = (id: string) => {
  const t = props.open.view.value?.bends.find((b) => b.id === id)
  if (!t) return
  const xs = t.outline.map((p) => p.x)
  const ys = t.outline.map((p) => -p.y)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  const [w, h] = [Math.max(...xs) - x, Math.max(...ys) - y]
  const pad = Math.max(w, h) * 0.06
  return {
    box: `${x - pad} ${y - pad} ${w + 2 * pad} ${h + 2 * pad}`,
    points: t.outline.map((p) => `${p.x},${-p.y}`).join(' '),
    line: Math.max(w, h) / 60,
    opening: t.opening,
  }
}

const trouble = ref<Record<string, string>>({})
/** The largest closed outline of a drawing, in millimetres. */
async function outline(i: number, file: File) {
  const id = tools.value[i]!.id
  trouble.value = { ...trouble.value, [id]: '' }
  try {
    set(`/${i}/outline`, await largestOutline(file, props.open.inch.value))
  } catch (e) {
    trouble.value = { ...trouble.value, [id]: `${file.name}: ${words(e)}` }
  }
}
</script>

<template>
  <CardList
    :rows="tools"
    word="tool"
    add="Add a punch, die or fingers"
    :name="(t) => t.name || texts[t.kind]"
    :make="() => usual('straight')"
    @change="(v) => open.set('/bendTools', v)"
    ><template #default="{ row: t, i }">
      <article class="tool" :data-bend-tool="t.kind">
        <svg v-if="drawn(t.id)" :viewBox="drawn(t.id)!.box" role="img" :aria-label="`Outline of ${t.name || texts[t.kind]}`">
          <polygon :points="drawn(t.id)!.points" :stroke-width="drawn(t.id)!.line" />
        </svg>
        <FieldGrid :min="130" low>
          <PickOne
            label="It is a"
            :choices="wordsOf('BendTool', 'kind')"
            :model-value="t.kind"
            @update:model-value="(v) => kindOf(i, v)"
          />
          <TextField
            label="Called"
            :model-value="t.name ?? ''"
            :wrong="fault(`/${i}/name`)"
            @update:model-value="(v) => set(`/${i}/name`, v || undefined)"
          />
          <template v-if="!t.outline?.length">
            <ValueField
              v-for="s in sizes[t.kind]"
              :key="s.key"
              :label="s.label"
              :kind="s.angle ? 'angle' : 'length'"
              :model-value="(t[s.key] as number | undefined) ?? null"
              :lengths="open.style.value"
              :wrong="fault(`/${i}/${s.key}`)"
              @update:model-value="(v) => set(`/${i}/${s.key}`, v)"
            />
          </template>
        </FieldGrid>
        <div class="row">
          <FilePick tight label="Its own outline: DXF" accept=".dxf" @pick="(f) => outline(i, f)" />
          <button v-if="t.outline?.length" type="button" class="press tight" @click="set(`/${i}/outline`, undefined)">
            By its sizes again
          </button>
          <span v-if="fault(`/${i}/outline`) || trouble[t.id]" class="wrong" role="alert">{{
            fault(`/${i}/outline`) || trouble[t.id]
          }}</span>
        </div>
        <div>
          <p class="soft small">Lengths it is put together of; none: in one piece, as long as its machine.</p>
          <CardList
            :rows="t.pieces ?? []"
            word="piece"
            small
            flow
            add="Piece"
            :make="() => ({ id: newId(), long: t.pieces?.at(-1)?.long ?? (open.inch.value ? 101.6 : 100) })"
            @change="(v) => set(`/${i}/pieces`, v)"
            ><template #default="{ row: x, i: k }">
              <ValueField
                label="Long"
                hide-label
                kind="length"
                :model-value="x.long"
                :lengths="open.style.value"
                :wrong="fault(`/${i}/pieces/${k}/long`)"
                @update:model-value="(v) => set(`/${i}/pieces/${k}/long`, v)" /></template
          ></CardList>
        </div>
      </article> </template
  ></CardList>
</template>

<style scoped>
.tool {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 10px 14px;
}
.tool > :not(svg) {
  grid-column: 2;
}
svg {
  grid-row: 1 / span 3;
  width: 96px;
  height: 120px;
}
polygon {
  fill: var(--metal);
  stroke: var(--line);
  stroke-linejoin: round;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
@media (max-width: 620px) {
  .tool {
    grid-template-columns: 1fr;
  }
  .tool > :not(svg) {
    grid-column: 1;
  }
  svg {
    grid-row: auto;
  }
}
</style>
