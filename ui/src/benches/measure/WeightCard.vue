<script setup lang="ts">
// The vehicle's weights and limits, and the sum of all masses against them.
import FieldGrid from '@/kit/FieldGrid.vue'
import { useAmounts } from '@/kit/amounts'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import { newId } from '@/api/ids'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import GivenField from '@/kit/GivenField.vue'
import TextField from '@/kit/TextField.vue'
import { trustWord } from '@/kit/trust'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'

const props = defineProps<{ open: OpenBrief; told?: HoldingView['told'] }>()
const card = computed(() => props.open.brief.value?.card ?? {})
const others = computed(() => card.value.others ?? [])
const fields = computed(() => {
  const t = card.value.trailer
  return [
    { key: 'span' as const, label: t ? 'Coupling to axle' : 'Wheelbase', kind: 'length' as const },
    ...(t ? [{ key: 'coupling' as const, label: 'Coupling forward of the datum', kind: 'length' as const }] : []),
    { key: 'front' as const, label: t ? 'Empty, on the coupling' : 'Empty, front axle', kind: 'mass' as const },
    { key: 'rear' as const, label: t ? 'Empty, on the axle' : 'Empty, rear axle', kind: 'mass' as const },
    { key: 'gross' as const, label: 'Allowed in all', kind: 'mass' as const },
    { key: 'frontLimit' as const, label: t ? 'Allowed on the coupling' : 'Allowed, front axle', kind: 'mass' as const },
    { key: 'rearLimit' as const, label: t ? 'Allowed on the axle' : 'Allowed, rear axle', kind: 'mass' as const },
    { key: 'roofLimit' as const, label: 'Allowed on the roof', kind: 'mass' as const },
  ]
})
const { mass } = useAmounts()
const kg = (v: number) => mass(v, v < 100 ? 1 : 0)
</script>

<template>
  <div class="stack">
    <div v-if="told?.weighed.shares.length" class="sums" data-weights>
      <div v-for="s in told.weighed.shares" :key="s.key" class="sum" :data-weight="s.key">
        <span class="what">{{ s.name }}</span>
        <span class="num">{{ s.utilisation == null ? '' : kg(s.demand) + ' of ' + kg(s.capacity) }}</span>
        <VerdictLine :utilisation="s.utilisation" :verdict="s.verdict" :label="s.name" />
        <span>
          <WhyButton v-if="s.working && s.utilisation != null" :name="s.name" :working="s.working" />
          <span class="soft small">{{
            s.why || (s.least && s.least.trust !== 'measured' ? `${s.least.name}: ${trustWord(s.least.trust)}` : '')
          }}</span>
        </span>
      </div>
      <p v-if="told.weighed.nose != null" class="small">Nose load {{ told.weighed.nose.toFixed(1) }} % of the gross.</p>
    </div>
    <p v-for="f in told?.weighed.findings ?? []" :key="f.reason" class="small mindful">{{ f.reason }}</p>
    <ChoiceRow
      label="It is"
      :choices="[
        { value: false, text: 'a vehicle' },
        { value: true, text: 'a trailer' },
      ]"
      :model-value="card.trailer ?? false"
      @update:model-value="(v) => open.set('/card/trailer', v || undefined)"
    />
    <FieldGrid :min="168" keep>
      <GivenField
        v-for="f in fields"
        :key="f.key"
        :label="f.label"
        :kind="f.kind"
        :model-value="card[f.key]"
        :lengths="open.style.value"
        :wrong="open.fault(`/card/${f.key}/value`)"
        @update:model-value="(v) => open.set(`/card/${f.key}`, v)"
      />
    </FieldGrid>
    <p class="label">People, fuel, tools, goods</p>
    <CardList
      :rows="others"
      word="mass"
      :name="(o) => o.name"
      add="Add a mass"
      :make="() => ({ id: newId(), name: '' })"
      small
      @change="(v) => open.set('/card/others', v)"
      v-slot="{ row: o, i }"
    >
      <div class="other">
        <TextField label="What" :model-value="o.name" @update:model-value="(v) => open.set(`/card/others/${i}/name`, v)" />
        <GivenField
          label="Mass"
          kind="mass"
          :model-value="o.mass"
          :lengths="open.style.value"
          :wrong="open.fault(`/card/others/${i}/mass/value`)"
          @update:model-value="(v) => open.set(`/card/others/${i}/mass`, v)"
        />
        <GivenField
          :label="card.trailer ? 'Behind the coupling' : 'Behind the front axle'"
          kind="length"
          :model-value="o.behind"
          :lengths="open.style.value"
          :wrong="open.fault(`/card/others/${i}/behind/value`)"
          @update:model-value="(v) => open.set(`/card/others/${i}/behind`, v)"
        />
        <label class="tick"
          ><input
            type="checkbox"
            :checked="o.onRoof"
            @change="open.set(`/card/others/${i}/onRoof`, ($event.target as HTMLInputElement).checked || undefined)"
          />
          on the roof</label
        >
      </div>
    </CardList>
  </div>
</template>

<style scoped>
.sums {
  display: grid;
  gap: 6px;
}
.sum {
  display: grid;
  grid-template-columns: minmax(110px, 0.8fr) 160px minmax(240px, 1.2fr) minmax(200px, 1.3fr);
  gap: 10px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  min-height: 40px;
}
.other {
  display: grid;
  grid-template-columns: minmax(140px, 2fr) 130px 160px auto;
  gap: 10px;
  align-items: start;
}
.other .tick {
  padding-top: 24px;
}
.mindful {
  color: var(--mind);
}
@media (max-width: 760px) {
  .sum,
  .other {
    grid-template-columns: 1fr;
  }
}
</style>
