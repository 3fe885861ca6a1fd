<script setup lang="ts">
// What the vehicle carries on feet: mass, centre of gravity, envelope, feet.
import FieldGrid from '@/kit/FieldGrid.vue'
import { Plus } from '@lucide/vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { Device } from '@/api/client'
import { newId } from '@/api/ids'
import type { OpenBrief } from '@/jobs/useBrief'
import { useShop } from '@/shop/useShop'
import DeviceNumbers from './DeviceNumbers.vue'
import { wordsOf } from '@/api/words'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief }>()
const list = computed(() => props.open.brief.value?.devices ?? [])
const roomSizes = [
  { key: 'wide' as const, label: 'Wide' },
  { key: 'high' as const, label: 'High' },
  { key: 'out' as const, label: 'Room in front' },
]
/** Where the middle of it lies on its face, from the device's origin. */
const places = { x: 'Forward', y: 'To the left', z: 'Above the feet' }
const onFace: Record<string, ('x' | 'y' | 'z')[]> = {
  front: ['y', 'z'],
  rear: ['y', 'z'],
  left: ['x', 'z'],
  right: ['x', 'z'],
  up: ['x', 'y'],
  down: ['x', 'y'],
}
const placed = (face: string) => (onFace[face] ?? []).map((key) => ({ key, label: places[key] }))
const freshRoom = (d: Device) => {
  const grain = props.open.style.value.unit === 'mm' ? 10 : 12.7
  return {
    id: newId(),
    kind: 'plug' as const,
    face: 'rear' as const,
    z: (d.envelope?.height ?? 0) / 2,
    wide: 5 * grain,
    high: 5 * grain,
    out: 8 * grain,
  }
}
const shop = useShop(true)
const known = computed(() => shop.shop.value?.devices ?? [])
const copied = (d: Device): Device => {
  const c = JSON.parse(JSON.stringify(d)) as Device
  return { ...c, id: newId(), feet: c.feet?.map((f) => ({ ...f, id: newId() })) }
}
/** Kept in the Shop as it stands here, without where it stands on this vehicle; one of its name is replaced. */
function keep(d: Device) {
  const c = { ...copied(d), behind: undefined, onRoof: undefined }
  const i = known.value.findIndex((k) => k.name === d.name)
  shop.set(
    '/devices' as never,
    (i < 0 ? [...known.value, c] : known.value.map((k, n) => (n === i ? { ...c, id: k.id } : k))) as never,
  )
}
const inShop = (d: Device) => known.value.some((k) => k.name === d.name)
const blank = (): Device => ({ id: newId(), name: '', feet: [] })
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
    <CardList
      :rows="list"
      word="device"
      :name="(d) => d.name"
      add="Add a device"
      :make="blank"
      @change="(v) => open.set('/devices', v)"
    >
      <template #adds="{ add }">
        <button type="button" class="press" @click="(e) => e.detail < 2 && add(blank())">
          <Plus :size="18" aria-hidden="true" /> Add a device
        </button>
        <button v-for="k in known" :key="k.id" type="button" class="press tight" @click="(e) => e.detail < 2 && add(copied(k))">
          <Plus :size="16" aria-hidden="true" /> {{ k.name }}, from the shop
        </button>
      </template>
      <template #default="{ row: d, i }"
        ><article class="device">
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
          </div>
          <FieldGrid :min="150">
            <DeviceNumbers :open="open" :at="i" />
            <div class="group wide">
              <p class="label">Envelope</p>
              <FieldGrid :min="104" low class="three">
                <ValueField
                  v-for="k in sizes"
                  :key="k"
                  :label="k"
                  :model-value="d.envelope?.[k] ?? null"
                  :lengths="open.style.value"
                  :wrong="open.fault(`/devices/${i}/envelope/${k}`)"
                  @update:model-value="
                    (v) => open.set(`/devices/${i}/envelope`, { length: 0, width: 0, height: 0, ...d.envelope, [k]: v })
                  "
                />
              </FieldGrid>
            </div>
          </FieldGrid>
          <p class="label">Feet, from the device's origin</p>
          <div class="feet">
            <CardList
              :rows="d.feet ?? []"
              word="foot"
              add="Foot"
              :make="() => ({ id: newId(), x: 0, y: 0 })"
              small
              flow
              @change="(v) => open.set(`/devices/${i}/feet`, v)"
              v-slot="{ row: f, i: k }"
            >
              <div class="foot">
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
                <ValueField
                  :label="`Foot ${k + 1}, its hole`"
                  hide-label
                  kind="hole"
                  optional
                  :model-value="f.bore ?? null"
                  :lengths="open.style.value"
                  :wrong="open.fault(`/devices/${i}/feet/${k}/bore`)"
                  @update:model-value="(v) => open.set(`/devices/${i}/feet/${k}/bore`, v || undefined)"
                  @clear="open.set(`/devices/${i}/feet/${k}/bore`, undefined)"
                />
              </div>
            </CardList>
            <button v-if="!d.feet?.length" type="button" class="press tight" @click="open.set(`/devices/${i}/feet`, fourFeet(d))">
              Four at the corners
            </button>
          </div>
          <p v-if="d.feet?.length" class="soft small">
            Each row: forward, left, the hole in the foot if there is one; negative is rearward, right.
          </p>
          <p class="label">Plugs, levers, hoses: the room in front of them stays free</p>
          <CardList
            :rows="d.rooms ?? []"
            word="room"
            small
            add="Plug, lever or hose"
            :name="(r) => `${r.kind} ${r.name ?? ''}`"
            :make="() => freshRoom(d)"
            @change="(v) => open.set(`/devices/${i}/rooms`, v)"
            v-slot="{ row: r, i: k }"
          >
            <FieldGrid :min="104" low :data-room="r.kind">
              <PickOne
                label="It is a"
                :choices="wordsOf('DeviceRoom', 'kind')"
                :model-value="r.kind"
                @update:model-value="(v) => open.set(`/devices/${i}/rooms/${k}/kind`, v)"
              />
              <TextField
                label="Called"
                :model-value="r.name ?? ''"
                @update:model-value="(v) => open.set(`/devices/${i}/rooms/${k}/name`, v || undefined)"
              />
              <PickOne
                label="On its"
                :choices="wordsOf('DeviceRoom', 'face')"
                :model-value="r.face"
                @update:model-value="(v) => open.set(`/devices/${i}/rooms/${k}/face`, v)"
              />
              <ValueField
                v-for="f in placed(r.face)"
                :key="f.key"
                :label="f.label"
                :model-value="r[f.key] ?? 0"
                :lengths="open.style.value"
                :wrong="open.fault(`/devices/${i}/rooms/${k}/${f.key}`)"
                @update:model-value="(v) => open.set(`/devices/${i}/rooms/${k}/${f.key}`, v)"
              />
              <ValueField
                v-for="f in roomSizes"
                :key="f.key"
                :label="f.label"
                :model-value="r[f.key]"
                :lengths="open.style.value"
                :wrong="open.fault(`/devices/${i}/rooms/${k}/${f.key}`)"
                @update:model-value="(v) => open.set(`/devices/${i}/rooms/${k}/${f.key}`, v)"
              />
            </FieldGrid>
          </CardList>
          <p class="row">
            <button v-if="d.name" type="button" class="press tight bare" @click="keep(d)">
              {{ inShop(d) ? 'Keep it so in the Shop' : 'Keep it in the Shop for other jobs' }}
            </button>
          </p>
        </article></template
      >
    </CardList>
  </div>
</template>

<style scoped>
.device {
  display: grid;
  gap: 10px;
}
.head {
  align-items: end;
}
.name {
  flex: 1;
  min-width: 180px;
}
.wide {
  grid-column: span 2;
}
.three > .field {
  min-width: 92px;
}
.feet {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.feet > :first-child {
  width: 100%;
}
.foot {
  display: grid;
  grid-template-columns: 20px 104px 104px 92px;
  gap: 6px;
  align-items: center;
}
@media (max-width: 640px) {
  .wide {
    grid-column: 1 / -1;
  }
}
</style>
