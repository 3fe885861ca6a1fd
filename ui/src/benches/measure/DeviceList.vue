<script setup lang="ts">
// What the vehicle carries on feet: mass, centre of gravity, envelope, feet.
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import type { Device } from '@/api/client'
import { newId } from '@/api/ids'
import type { OpenBrief } from '@/jobs/useBrief'
import GivenField from '@/kit/GivenField.vue'
import TextField from '@/kit/TextField.vue'
import { trusts } from '@/kit/trust'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief }>()
const list = computed(() => props.open.brief.value?.devices ?? [])
const trailer = computed(() => props.open.brief.value?.card?.trailer ?? false)
const add = () => props.open.set('/devices', [...list.value, { id: newId(), name: '', feet: [] }])
const gravity = (d: Device, key: 'x' | 'y' | 'z', v: number) => ({
  x: 0,
  y: 0,
  z: 0,
  trust: 'measured' as const,
  ...d.gravity,
  [key]: v,
})
const fourFeet = (d: Device) => {
  const l = (d.envelope?.length || 600) / 2
  const w = (d.envelope?.width || 400) / 2
  return [
    { x: l, y: w },
    { x: l, y: -w },
    { x: -l, y: w },
    { x: -l, y: -w },
  ]
}
const sizes = ['length', 'width', 'height'] as const
</script>

<template>
  <div class="stack">
    <article v-for="(d, i) in list" :key="d.id" class="device">
      <div class="row head">
        <TextField
          class="name"
          label="Device"
          :model-value="d.name"
          @update:model-value="(v) => open.set(`/devices/${i}/name`, v)"
        />
        <label class="tick"
          ><input
            type="checkbox"
            :checked="d.nearPeople"
            @change="open.set(`/devices/${i}/nearPeople`, ($event.target as HTMLInputElement).checked || undefined)"
          />
          near people, or able to reach them</label
        >
        <label class="tick"
          ><input
            type="checkbox"
            :checked="d.onRoof"
            @change="open.set(`/devices/${i}/onRoof`, ($event.target as HTMLInputElement).checked || undefined)"
          />
          on the roof</label
        >
        <button
          type="button"
          class="press tight bare"
          :aria-label="`Remove ${d.name}`"
          @click="open.set(`/devices/${i}`, undefined)"
        >
          <Trash2 :size="18" />
        </button>
      </div>
      <div class="cells">
        <GivenField
          label="Mass"
          kind="mass"
          :model-value="d.mass"
          :lengths="open.style.value"
          :wrong="open.fault(`/devices/${i}/mass/value`)"
          @update:model-value="(v) => open.set(`/devices/${i}/mass`, v)"
        />
        <GivenField
          :label="trailer ? 'Origin behind the coupling' : 'Origin behind the front axle'"
          kind="length"
          :model-value="d.behind"
          :lengths="open.style.value"
          :wrong="open.fault(`/devices/${i}/behind/value`)"
          @update:model-value="(v) => open.set(`/devices/${i}/behind`, v)"
        />
        <div class="group wide">
          <p class="label">Centre of gravity from the device's origin</p>
          <div class="three">
            <ValueField
              v-for="k in ['x', 'y', 'z'] as const"
              :key="k"
              :label="{ x: 'forward', y: 'left', z: 'above the feet' }[k]"
              :model-value="d.gravity?.[k] ?? null"
              :lengths="open.style.value"
              :wrong="k === 'z' ? open.fault(`/devices/${i}/gravity/value`) : undefined"
              @update:model-value="(v) => open.set(`/devices/${i}/gravity`, gravity(d, k, v))"
            />
            <div v-if="d.gravity" class="field">
              <label :for="`trust-${d.id}`">is</label>
              <select
                :id="`trust-${d.id}`"
                class="box"
                :value="d.gravity.trust ?? 'assumed'"
                @change="open.set(`/devices/${i}/gravity/trust`, ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="t in trusts" :key="t.value" :value="t.value">{{ t.text }}</option>
              </select>
            </div>
          </div>
        </div>
        <div class="group wide">
          <p class="label">Envelope</p>
          <div class="three">
            <ValueField
              v-for="k in sizes"
              :key="k"
              :label="k"
              :model-value="d.envelope?.[k] ?? null"
              :lengths="open.style.value"
              @update:model-value="
                (v) => open.set(`/devices/${i}/envelope`, { length: 0, width: 0, height: 0, ...d.envelope, [k]: v })
              "
            />
          </div>
        </div>
      </div>
      <p class="label">Feet, from the device's origin</p>
      <div class="feet">
        <div v-for="(f, k) in d.feet ?? []" :key="k" class="foot">
          <span class="num">{{ k + 1 }}</span>
          <ValueField
            :label="`Foot ${k + 1} forward`"
            hide-label
            :model-value="f.x"
            :lengths="open.style.value"
            :wrong="open.fault(`/devices/${i}/feet/${k}/x`)"
            @update:model-value="(v) => open.set(`/devices/${i}/feet/${k}/x`, v)"
          />
          <ValueField
            :label="`Foot ${k + 1} left`"
            hide-label
            :model-value="f.y"
            :lengths="open.style.value"
            :wrong="open.fault(`/devices/${i}/feet/${k}/y`)"
            @update:model-value="(v) => open.set(`/devices/${i}/feet/${k}/y`, v)"
          />
          <button
            type="button"
            class="press tight bare"
            :aria-label="`Remove foot ${k + 1} of ${d.name}`"
            @click="open.set(`/devices/${i}/feet/${k}`, undefined)"
          >
            <Trash2 :size="16" />
          </button>
        </div>
        <button type="button" class="press tight" @click="open.set(`/devices/${i}/feet`, [...(d.feet ?? []), { x: 0, y: 0 }])">
          <Plus :size="16" aria-hidden="true" />Foot
        </button>
        <button v-if="!d.feet?.length" type="button" class="press tight" @click="open.set(`/devices/${i}/feet`, fourFeet(d))">
          Four at the corners
        </button>
      </div>
      <p v-if="d.feet?.length" class="soft small">Each row: forward, left; negative is rearward, right.</p>
    </article>
    <button type="button" class="press" @click="add"><Plus :size="18" aria-hidden="true" />Add a device</button>
  </div>
</template>

<style scoped>
.device {
  display: grid;
  gap: 10px;
  border-left: 3px solid var(--rule-strong);
  padding: 4px 0 12px 14px;
}
.head {
  align-items: end;
}
.name {
  flex: 1;
  min-width: 180px;
}
.cells {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px;
}
.wide {
  grid-column: span 2;
}
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(92px, 1fr));
  gap: 8px;
  align-items: end;
}
.feet {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 22px;
  align-items: center;
}
.foot {
  display: grid;
  grid-template-columns: 20px 116px 116px auto;
  gap: 6px;
  align-items: center;
}
@media (max-width: 640px) {
  .wide {
    grid-column: 1 / -1;
  }
}
</style>
