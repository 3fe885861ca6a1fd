<script setup lang="ts">
// Where K comes from, and the blank under every school side by side.
import FieldGrid from '@/kit/FieldGrid.vue'
import { Plus, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { type Coupon, words } from '@/api/client'
import { newId } from '@/api/ids'
import { wordOf, wordsOf } from '@/api/words'
import { alter } from '@/documents/alter'
import { couponFields } from '@/shop/coupon'
import CardList from '@/kit/CardList.vue'
import IconPress from '@/kit/IconPress.vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import Frac from '@/kit/Frac.vue'
import WhyButton from '@/kit/WhyButton.vue'
import ValueField from '@/kit/ValueField.vue'
import type { Bench } from './useBench'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ bench: Bench }>()
const part = computed(() => props.bench.part.value!)
const rule = computed(() => part.value.recipe.value!.bend)
const schools = computed(() => part.value.built.value!.schools)
const name = (school: string) => wordOf('Rule', 'school', school)?.text
const set = (tail: string, v: unknown) => part.value.set(`/bend${tail}`, v)
const fault = (path: string) => part.value.faults.value.find((f) => f.path === `/recipe/bend${path}`)?.message

/** A coupon that is being typed: it counts when all that is measured of it is there. */
const typing = ref<Partial<Coupon>>()
function startCoupon() {
  const r = part.value.recipe.value!
  typing.value = { angle: 90, thickness: r.thickness, insideRadius: r.thickness }
  const b = first.value
  if (b) typing.value = { angle: b.angle, thickness: r.thickness, insideRadius: b.radius, flat: b.flat }
}
/** The bend that is made first is a strip too. */
const first = computed(() => part.value.built.value!.first)
const whole = computed(() => fields.every((f) => f.may || typing.value?.[f.key]))
function keepCoupon() {
  set('/coupons', [...(rule.value.coupons ?? []), typing.value as Coupon])
  typing.value = undefined
}
const fields = couponFields
const inShop = computed(() => rule.value.school === 'shop')
const word = computed(() => (inShop.value ? 'strip' : 'coupon'))
const said = ref('')
/** Writes a strip down for every job: the part is built anew with what the shop has then. */
async function keepInShop() {
  const r = part.value.recipe.value!
  const strip = { id: newId(), material: r.material, tool: r.tool.kind, coupon: typing.value as Coupon }
  said.value = ''
  try {
    await alter('shop', 'shop', (w) => ({ ...w, strips: [...(w.strips ?? []), strip] }))
    typing.value = undefined
    void part.value.build()
    said.value = 'It is written down in the shop.'
  } catch (e) {
    said.value = words(e)
  }
}
</script>

<template>
  <div class="panel">
    <TableFrame name="Schools side by side">
      <thead>
        <tr>
          <th scope="col">School</th>
          <th scope="col">Blank, left to right</th>
          <th scope="col">Front to back</th>
          <th scope="col">Differs by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in schools" :key="s.school" :class="{ on: s.chosen }" :data-school="s.school">
          <th scope="row">{{ name(s.school) }}<span v-if="s.chosen" class="small">, in use</span></th>
          <template v-if="s.x && s.y">
            <td class="num">
              <Frac :text="s.x.text" :lies="s.x.lies" :off="s.x.off" /><WhyButton
                :name="`blank, left to right, ${name(s.school)}`"
                :working="() => part.explain({ what: 'school', school: s.school, axis: 'x' })"
              />
            </td>
            <td class="num">
              <Frac :text="s.y.text" :lies="s.y.lies" :off="s.y.off" /><WhyButton
                :name="`blank, front to back, ${name(s.school)}`"
                :working="() => part.explain({ what: 'school', school: s.school, axis: 'y' })"
              />
            </td>
            <td><Frac v-if="!s.chosen && s.off" :text="s.off.text" :lies="s.off.lies" :off="s.off.off" /></td>
          </template>
          <td v-else colspan="3" class="soft">{{ s.why }}</td>
        </tr>
      </tbody>
    </TableFrame>
    <ChoiceRow
      label="School in use"
      :choices="wordsOf('Rule', 'school')"
      :model-value="rule.school"
      @update:model-value="(v) => set('/school', v)"
    />
    <ChoiceRow
      label="Bends are"
      :choices="wordsOf('Rule', 'method')"
      :model-value="rule.method"
      @update:model-value="(v) => set('/method', v)"
    />
    <FieldGrid v-if="rule.school === 'fixed'" :min="118" keep low>
      <ValueField
        label="K"
        kind="number"
        :model-value="rule.k ?? null"
        :lengths="bench.style()"
        :wrong="fault('/k')"
        note="0 to 1"
        @update:model-value="(v) => set('/k', v)"
      />
      <ValueField
        label="or a deduction per bend"
        :model-value="rule.deduction ?? null"
        :lengths="bench.style()"
        :wrong="fault('/deduction')"
        note="goes before K"
        @update:model-value="(v) => set('/deduction', v)"
      />
      <button v-if="rule.deduction !== undefined" type="button" class="press tight" @click="set('/deduction', undefined)">
        Use K instead
      </button>
    </FieldGrid>
    <template v-if="rule.school === 'coupon' || inShop">
      <p v-if="inShop" class="soft small">
        All strips of this sheet and tool in <RouterLink to="/shop">the shop</RouterLink> count, of every job. The first good bend
        is one too: its flat before, both legs to the outside apex and the angle after.
      </p>
      <p v-else class="soft small">
        Bend a strip of the same sheet on the same tool. Measure it flat before, and both legs to the outside apex after.
      </p>
      <CardList
        v-if="!inShop"
        small
        class="coupons"
        :rows="rule.coupons ?? []"
        word="coupon"
        @change="(v) => set('/coupons', v)"
        v-slot="{ row: c, i }"
      >
        <FieldGrid :min="118" keep low>
          <ValueField
            v-for="f in fields"
            :key="f.key"
            :label="f.label"
            :kind="f.kind"
            :model-value="c[f.key] ?? null"
            :lengths="bench.style()"
            :wrong="fault(`/coupons/${i}/${f.key}`)"
            @update:model-value="(v) => set(`/coupons/${i}/${f.key}`, f.may && !v ? undefined : v)"
          />
        </FieldGrid>
      </CardList>
      <p v-if="typing && first" data-first-bend>{{ first.says }}</p>
      <FieldGrid v-if="typing" :min="118" keep low role="group" :aria-label="`A new ${word}`">
        <ValueField
          v-for="f in fields"
          :key="f.key"
          :label="f.label"
          :kind="f.kind"
          :model-value="typing[f.key] ?? null"
          :lengths="bench.style()"
          @update:model-value="(v) => (typing = { ...typing, [f.key]: v })"
        />
        <button type="button" class="press main" :disabled="!whole" @click="inShop ? keepInShop() : keepCoupon()">
          {{ inShop ? 'Write it down in the shop' : 'Use it' }}
        </button>
        <IconPress :icon="Trash2" :name="`Remove the new ${word}`" @click="typing = undefined" />
      </FieldGrid>
      <button v-else type="button" class="press" @click="startCoupon">
        <Plus :size="18" aria-hidden="true" />Type a {{ word }}
      </button>
      <p v-if="said" role="status">{{ said }}</p>
    </template>
  </div>
</template>

<style scoped>
.panel {
  display: grid;
  gap: 14px;
  justify-items: start;
}
.panel > [role='region'],
.panel > [role='group'],
.coupons {
  width: 100%;
}
tr.on th,
tr.on td {
  background: var(--ember-wash);
}
</style>
