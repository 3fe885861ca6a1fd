<script setup lang="ts">
// Parts of several sizes of one shape: pans and trays of several lengths. They change with
// the one that heads them, in all but the sizes that are their own.
import { Plus } from '@lucide/vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { api, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import FieldGrid from '@/kit/FieldGrid.vue'
import Frac from '@/kit/Frac.vue'
import { once } from '@/kit/once'
import SearchPick from '@/kit/SearchPick.vue'
import TableFrame from '@/kit/TableFrame.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; job: string }>()
const part = computed(() => props.bench.part.value!)
const id = computed(() => part.value.view.value!.id)
const kin = computed(() => part.value.recipe.value?.kin)
const { data: family, refetch } = useQuery({
  queryKey: computed(() => ['family', id.value, part.value.view.value?.revision]),
  queryFn: () => take(api.GET('/api/v1/parts/{id}/family', { params: { path: { id: id.value } } })),
  placeholderData: (was) => was,
})
const isHead = computed(() => !kin.value)
const mine = computed(() => family.value?.members.find((m) => m.id === id.value))

/** The size that new members differ in: the longest way of the base to begin with. */
const which = ref('')
const key = (z: { feature: string; size: string }) => `${z.feature} ${z.size}`
const sizes = computed(() => [
  { text: 'Main sizes', list: family.value?.free.filter((z) => z.main).map(choice) ?? [] },
  { text: 'Other sizes', list: family.value?.free.filter((z) => !z.main).map(choice) ?? [] },
])
const choice = (z: { feature: string; size: string; name: string; text: string }) => ({
  value: key(z),
  text: z.name,
  note: z.text,
})
watch(
  family,
  (f) => {
    if (!f || which.value) return
    which.value = key(f.sizes[0] ?? f.free.find((z) => z.main) ?? f.free[0] ?? { feature: '', size: '' })
  },
  { immediate: true },
)
const size = computed(() => family.value?.free.find((z) => key(z) === which.value))

type Row = { value: number | null; quantity: number | null; name: string }
const rows = ref<Row[]>([{ value: null, quantity: 1, name: '' }])
const box = useTemplateRef('box')
async function another() {
  rows.value.push({ value: null, quantity: 1, name: '' })
  await nextTick()
  ;[...(box.value?.querySelectorAll<HTMLElement>('[data-born]') ?? [])].at(-1)?.querySelector('input')?.focus()
}
const whole = computed(() => rows.value.every((r) => r.value != null && r.quantity))
const plain = (v: number) => (props.bench.style().unit === 'mm' ? String(+v.toFixed(2)) : `${+(v / 25.4).toFixed(3)} in`)
const called = (r: Row) =>
  r.name ||
  `${family.value!.name} ${r.value == null ? '' : size.value!.kind === 'length' ? plain(r.value) : +r.value.toFixed(2)}`.trim()
const trouble = ref('')
const made = once(async () => {
  trouble.value = ''
  try {
    await part.value.send()
    const members = rows.value.map((r) => ({
      name: called(r),
      quantity: r.quantity!,
      own: [{ feature: size.value!.feature, size: size.value!.size, value: r.value! }],
    }))
    await take(api.POST('/api/v1/parts/{id}/family', { params: { path: { id: id.value } }, body: { members } }))
    rows.value = [{ value: null, quantity: 1, name: '' }]
    refreshJobs()
    await refetch()
  } catch (e) {
    trouble.value = words(e)
  }
})
/** A size is as in the head again. */
function asHead(i: number) {
  const z = family.value!.sizes[i]!
  part.value.apply({
    label: `${z.name} as in ${family.value!.name}`,
    edits: [
      { path: z.path, value: z.value },
      { path: '/kin/own', value: kin.value!.own?.filter((o) => key(o) !== key(z)) ?? [] },
    ],
  })
}
</script>

<template>
  <div v-if="family" ref="box" class="family">
    <p v-if="!isHead">
      It follows <RouterLink :to="`/jobs/${job}/shape/${family.head}`">{{ family.name }}</RouterLink>: sizes that are typed here
      are its own, all else is changed there.
      <button type="button" class="press tight" @click="part.set('/kin', undefined)">Let it go</button>
    </p>
    <p v-else-if="family.members.length > 1">What is changed here changes the others, but for the sizes that are their own.</p>
    <p v-else class="soft">
      Pans and trays of several lengths: add those that are as this one in all but a size. They change with it from then on.
    </p>
    <TableFrame v-if="family.members.length > 1" name="The family">
      <thead>
        <tr>
          <th scope="col">Part</th>
          <th scope="col">How many</th>
          <th v-for="z in family.sizes" :key="key(z)" scope="col">{{ z.name }}</th>
          <th scope="col">Blank</th>
          <th scope="col">Mass</th>
          <th scope="col">Flags</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="m in family.members" :key="m.id" :class="{ on: m.id === id }" :data-kin="m.name">
          <th scope="row">
            <template v-if="m.id === id">{{ m.name }}</template>
            <RouterLink v-else :to="`/jobs/${job}/shape/${m.id}`">{{ m.name }}</RouterLink>
            <span v-if="m.id === family.head" class="small soft">, heads it</span
            ><span v-if="m.away" class="small">, put away</span>
          </th>
          <td class="num">{{ m.quantity }}</td>
          <td v-for="(v, i) in m.values" :key="i" class="num" :class="{ soft: !v.own && m.id !== family.head }">
            <Frac :text="v.text" />
            <button v-if="v.own && m.id === id" type="button" class="press tight bare" @click="asHead(i)">
              as in {{ family.name }}
            </button>
          </td>
          <td class="num">{{ m.blank }}</td>
          <td class="num">{{ m.mass }}</td>
          <td>
            <b v-if="m.stops" class="stops">{{ m.stops }} stop</b>
          </td>
        </tr>
      </tbody>
    </TableFrame>
    <section v-if="size" class="more">
      <h3>Add to the family</h3>
      <SearchPick v-model="which" label="They differ in" :choices="sizes" class="which" />
      <FieldGrid v-for="(r, i) in rows" :key="i" :min="130" low :data-born="i">
        <ValueField
          :label="size.name"
          :kind="size.kind"
          :model-value="r.value"
          :lengths="bench.style()"
          @update:model-value="(v) => (r.value = v)"
        />
        <ValueField
          label="How many"
          kind="count"
          :model-value="r.quantity"
          :lengths="bench.style()"
          @update:model-value="(v) => (r.quantity = v)"
        />
        <TextField label="Called" :model-value="called(r)" @update:model-value="(v) => (r.name = v)" />
      </FieldGrid>
      <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
      <p class="row">
        <button type="button" class="press" @click="another"><Plus :size="18" aria-hidden="true" />Another size</button>
        <button type="button" class="press main" :disabled="!whole" @click="made">
          {{ rows.length === 1 ? 'Make it' : `Make all ${rows.length}` }}
        </button>
      </p>
    </section>
    <p v-if="mine && !isHead && !mine.values.some((v) => v.own)" class="soft">It has no size of its own: it is as its head.</p>
  </div>
</template>

<style scoped>
.family,
.more {
  display: grid;
  gap: 12px;
}
.which {
  max-width: 360px;
}
tr.on th,
tr.on td {
  background: var(--ember-wash);
}
.stops {
  color: var(--stop);
  white-space: nowrap;
}
</style>
