<script setup lang="ts">
// What the saw cuts, from which sticks, and the papers that go with it.
import { useAmounts } from '@/kit/amounts'
import { computed } from 'vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import FrameFiles from './FrameFiles.vue'
import RemnantList from './RemnantList.vue'
import StickDrawing from './StickDrawing.vue'
import type { OpenFrame } from './useFrame'
import TableFrame from '@/kit/TableFrame.vue'

const { mass } = useAmounts()
const props = defineProps<{ open: OpenFrame }>()
const cut = computed(() => props.open.worked.value!.cut)
const saw = computed(() => props.open.doc.value!.saw ?? {})
const fields = [
  ['stick', 'Sticks as bought', 'length'],
  ['kerf', 'Kerf', 'length'],
  ['waste', 'Cut off the rough end', 'length'],
  ['sawLimit', 'The saw turns to', 'angle'],
  ['perKilo', 'Price', 'price'],
] as const
</script>

<template>
  <div class="sheet">
    <section>
      <h2>Cut list</h2>
      <p class="small">{{ cut.text }}.</p>
      <TableFrame class="cut" name="Cut list">
        <thead>
          <tr>
            <th>mark</th>
            <th>pieces</th>
            <th>cut to</th>
            <th>first end</th>
            <th>second end</th>
            <th>each</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in cut.rows" :key="r.mark" :data-mark="r.mark">
            <td class="mark">{{ r.mark }}</td>
            <td class="num">{{ r.quantity }}</td>
            <td>
              <b class="num long">{{ r.text }}</b> <WhyButton :name="`${r.mark} is cut to`" :working="r.working" />
              <span v-if="r.trim" class="small soft"> trimmed to {{ r.finish }}</span>
              <span class="small soft block"
                >{{ r.stock }}<template v-if="r.twin">, twin of {{ r.twin }}</template></span
              >
              <span v-for="n in r.notes ?? []" :key="n" class="small block">{{ n }}</span>
            </td>
            <td v-for="(e, k) in r.told" :key="k" class="small">
              <b v-if="e.saw || e.tilt || e.hole" class="num">{{ e.scale }}</b>
              <span v-if="e.slant > 0" class="block soft">{{ e.axis }} from the axis</span>
              <span class="block">{{ e.words }}</span>
            </td>
            <td class="num">{{ r.weighs }}</td>
          </tr>
        </tbody>
      </TableFrame>
      <p class="soft small">Lengths from long point to long point; the saw's scale is 0° when square.</p>
    </section>
    <section v-if="cut.plates.length">
      <h2>Plates</h2>
      <TableFrame name="Plates">
        <thead>
          <tr>
            <th>mark</th>
            <th>pieces</th>
            <th>size</th>
            <th>holes, from the lower left corner</th>
            <th>each</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in cut.plates" :key="r.mark" :data-plate="r.mark">
            <td class="mark">{{ r.mark }}</td>
            <td class="num">{{ r.quantity }}</td>
            <td>
              <b class="num">{{ r.size }}</b> <span class="small soft block">{{ r.names.join(', ') }}</span>
            </td>
            <td>
              <b class="num">{{ r.drill || 'none' }}</b>
              <span v-for="x in r.places" :key="x" class="num small block">{{ x }}</span>
            </td>
            <td class="num">{{ r.weighs }}</td>
          </tr>
        </tbody>
      </TableFrame>
    </section>
    <section v-for="s in cut.stocks" :key="s.stock">
      <h2>{{ s.stock }}</h2>
      <p class="small">
        <b>{{ s.new === 1 ? '1 new stick' : `${s.new} new sticks` }}</b>, {{ mass(s.mass, 1) }}: {{ s.says }}.
        <WhyButton v-if="s.working" :name="`sticks of ${s.stock}`" :working="s.working" />
      </p>
      <StickDrawing v-for="k in s.sticks" :key="k.name" :stick="k" :rows="cut.rows" :lengths="open.style.value" />
    </section>
    <section>
      <h2>Saw and stock</h2>
      <div class="cells">
        <ValueField
          v-for="[key, text, kind] in fields"
          :key="key"
          :label="text"
          :kind="kind"
          :model-value="cut.saw[key] ?? null"
          :lengths="open.style.value"
          :wrong="open.fault(`/saw/${key}`)"
          :note="key === 'kerf' ? cut.kerf : undefined"
          @update:model-value="(v) => open.set('/saw', { ...saw, [key]: v || undefined })"
        />
      </div>
      <label class="tick">
        <input
          type="checkbox"
          :checked="saw.lastKerf"
          @change="open.set('/saw', { ...saw, lastKerf: ($event.target as HTMLInputElement).checked || undefined })"
        />
        The last piece of a full stick takes a cut too
      </label>
      <label class="tick">
        <input
          type="checkbox"
          :checked="saw.longMitre"
          @change="open.set('/saw', { ...saw, longMitre: ($event.target as HTMLInputElement).checked || undefined })"
        />
        Do not lay mitres back to back
      </label>
      <RemnantList :open="open" />
    </section>
    <FrameFiles :open="open" />
  </div>
</template>

<style scoped>
.mark {
  font-weight: 700;
  font-size: 1.15rem;
}
.long {
  font-size: 1.15rem;
}
.block {
  display: block;
}
.cut td {
  vertical-align: top;
}
</style>
