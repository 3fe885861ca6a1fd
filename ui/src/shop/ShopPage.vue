<script setup lang="ts">
// The shop: what stands in it, who works in it, and what that makes of the jobs' parts.
import { computed, ref, watch } from 'vue'
import { words } from '@/api/client'
import { keepFile } from '@/api/file'
import { wordsOf } from '@/api/words'
import SheetIndex from '@/benches/measure/SheetIndex.vue'
import DocumentBar from '@/documents/DocumentBar.vue'
import CardList from '@/kit/CardList.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FilePick from '@/kit/FilePick.vue'
import TextField from '@/kit/TextField.vue'
import BendToolList from './BendToolList.vue'
import MachineCard from './MachineCard.vue'
import OwnList from './OwnList.vue'
import PeopleList from './PeopleList.vue'
import PickMachines from './PickMachines.vue'
import PriceList from './PriceList.vue'
import ShopEffects from './ShopEffects.vue'
import RateList from './RateList.vue'
import SettingList from './SettingList.vue'
import StripList from './StripList.vue'
import SupplierList from './SupplierList.vue'
import ThreeLimits from './ThreeLimits.vue'
import ToolList from './ToolList.vue'
import { useShop } from './useShop'

const open = useShop()
const { shop } = open
const began = ref<number>()
watch(
  () => open.view.value?.revision,
  (r) => (began.value ??= r),
  { immediate: true },
)
const sections = computed(() => [
  { id: 'have', name: 'What there is' },
  { id: 'machines', name: 'Machines', says: shop.value?.machines?.length || '' },
  { id: 'people', name: 'People', says: shop.value?.people?.length || '' },
  { id: 'tools', name: 'Small tools', says: shop.value?.tools?.length || '' },
  { id: 'bending', name: 'Punches and dies', says: shop.value?.bendTools?.length || '' },
  { id: 'strips', name: 'Test strips', says: shop.value?.strips?.length || '' },
  { id: 'settings', name: 'Settings tried', says: shop.value?.settings?.length || '' },
  { id: 'devices', name: 'Devices', says: shop.value?.devices?.length || '' },
  {
    id: 'own',
    name: 'Its own metals, sections',
    says: (shop.value?.materials?.length ?? 0) + (shop.value?.sections?.length ?? 0) + (shop.value?.starters?.length ?? 0) || '',
  },
  { id: 'suppliers', name: 'Suppliers', says: shop.value?.suppliers?.length || '' },
  { id: 'prices', name: 'Prices', says: shop.value?.prices?.length || '' },
  { id: 'rates', name: 'Rates of work', says: shop.value?.rates?.length || '' },
  { id: 'moved', name: 'What changed' },
])
const told = ref('')
/** The shop as a file, to be kept elsewhere or brought into another installation. */
function takeAway() {
  keepFile(new Blob([JSON.stringify(shop.value, null, 1)], { type: 'application/json' }), 'shop.warmanvil.json')
  told.value = 'shop.warmanvil.json is in your downloads.'
}
async function bringIn(file: File) {
  told.value = ''
  try {
    const got = JSON.parse(await file.text()) as NonNullable<typeof shop.value>
    const lists = [got.machines ?? [], got.people ?? []]
    if (!('schema' in got) || 'documents' in got || !lists.every(Array.isArray)) throw new SyntaxError()
    open.change(got)
    told.value = `${file.name} stands in the place of what was here; Undo brings that back.`
  } catch {
    told.value = `${file.name} is no file of a shop. Nothing was changed.`
  }
}
const text = (kind: string, sort: string | undefined) =>
  open.kinds.value.find((k) => k.kind === kind)?.sorts.find((s) => s.sort === sort)?.text ?? kind
</script>

<template>
  <p v-if="open.error.value" class="page wrong" role="alert">{{ words(open.error.value) }}</p>
  <SheetIndex v-else-if="shop && open.kinds.value.length" label="Sections of the shop" :sections="sections">
    <header class="head">
      <h1>The shop</h1>
      <RouterLink to="/shop/stock" class="press tight">Stock: sheets, remnants, sticks, bolts</RouterLink>
      <DocumentBar :open="open" />
    </header>
    <p class="soft">
      Every job asks it: a part that is more than the machines here take says so, and by how much. What is left out is taken as
      usual, and the part says that too.
    </p>
    <div class="row">
      <button type="button" class="press tight" @click="takeAway">Save as a file</button>
      <FilePick label="Bring in a file" accept=".json" tight @pick="bringIn" />
      <span role="status" class="soft">{{ told }}</span>
    </div>
    <section id="have">
      <h2>What there is</h2>
      <ChoiceRow
        label="Machines are said in"
        :model-value="open.style.value.unit"
        :choices="wordsOf('Brief', 'unit')"
        @update:model-value="(v) => open.set('/unit', v)"
      />
      <p>Tick what you have, also what you borrow or send out for, and type three limits. All else can wait.</p>
      <PickMachines :open="open" />
      <ThreeLimits :open="open" />
    </section>
    <section id="machines">
      <h2>Machines</h2>
      <p v-if="!shop.machines?.length" class="soft">None yet: usual ones are taken, and every part says so.</p>
      <CardList
        :rows="shop.machines ?? []"
        word="machine"
        ordered
        :name="(m) => m.name || text(m.kind, m.sort)"
        @change="(v) => open.set('/machines', v)"
        ><template #default="{ row, i }">
          <h3 class="called">{{ row.name || text(row.kind, row.sort) }}</h3>
          <MachineCard :open="open" :i="i" /> </template
      ></CardList>
    </section>
    <section id="people">
      <h2>People</h2>
      <PeopleList :open="open" />
    </section>
    <section id="tools">
      <h2>Drills, taps, sockets, rivet tools, blades</h2>
      <p class="soft">
        Holes and bolts ask whether theirs are here, once one of the kind is named; a blade's kerf plans the sticks.
      </p>
      <ToolList :open="open" />
    </section>
    <section id="bending">
      <h2>Punches, dies, fingers</h2>
      <p class="soft">
        Every part is bent against them step by step. Usual ones are taken where none are named, and the part says that.
      </p>
      <BendToolList :open="open" />
    </section>
    <section id="strips">
      <h2>Test strips</h2>
      <p>
        Parts whose school is <i>the shop's coupons</i> take their K from all strips of their sheet and tool; the blank of every
        such part changes with them.
      </p>
      <StripList :open="open" />
    </section>
    <section id="settings">
      <h2>Settings that were tried</h2>
      <p class="soft">
        They are printed on the sheet of the machine when such a metal comes again, what worked first. A kerf that was measured
        counts in place of the usual one, and so does the smallest hole that came out round.
      </p>
      <SettingList :open="open" />
    </section>
    <section id="devices">
      <h2>Devices carried again and again</h2>
      <p class="soft">Kept from a job's brief, under Measure; put into another job there by a press.</p>
      <CardList :rows="shop.devices ?? []" word="device" :name="(d) => d.name" @change="(v) => open.set('/devices', v)"
        ><template #default="{ row: d, i }">
          <TextField
            label="Device"
            :model-value="d.name"
            :wrong="open.faults.value[`/devices/${i}/name`]"
            @update:model-value="(v) => open.set(`/devices/${i}/name` as never, v as never)"
          />
          <p class="soft small">{{ d.feet?.length ? `${d.feet.length} feet` : 'no feet' }}{{ d.envelope ? ', a box' : '' }}</p>
        </template></CardList
      >
    </section>
    <section id="own">
      <h2>Metals, sections and starters of its own</h2>
      <OwnList :open="open" />
    </section>
    <section id="suppliers">
      <h2>Suppliers</h2>
      <p class="soft">
        Parts are checked against their own rules before they are asked; what they answered stays with the part's state.
      </p>
      <SupplierList :open="open" />
    </section>
    <section id="prices">
      <h2>Prices</h2>
      <p class="soft">
        A price per kg or lb whose text names a sheet's material is used where a part is compared in other sheets; the others are
        kept to be looked up.
      </p>
      <PriceList :open="open" />
    </section>
    <section id="rates">
      <h2>Rates of work</h2>
      <p class="soft">The hours of every job are worked out with them, and with the hours a week of the people there the days.</p>
      <RateList :open="open" />
    </section>
    <section id="moved">
      <h2>What changed</h2>
      <ShopEffects v-if="began !== undefined" :since="began" :now="open.view.value?.revision ?? began" />
    </section>
  </SheetIndex>
  <p v-else class="page soft">Fetching the shop.</p>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
}
section {
  scroll-margin-top: 12px;
  display: grid;
  gap: 12px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.called::first-letter {
  text-transform: uppercase;
}
section > h2 {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 6px;
}
</style>
