<script setup lang="ts">
// Hole patterns of parts that follow a surveyed pattern or a device's feet:
// the difference overlaid, brought up to date by one press, and what serves the
// other side.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import { newId } from '@/api/ids'
import { refreshJobs } from '@/api/queries'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import SaySo from '@/kit/SaySo.vue'
import ValueField from '@/kit/ValueField.vue'
import WhyButton from '@/kit/WhyButton.vue'
import FollowSketch from './FollowSketch.vue'
import { usePoints } from './points'
import { usePartHoles } from './partHoles'

const props = defineProps<{ open: OpenSurvey; job: string }>()
const list = computed(() => props.open.survey.value?.follows ?? [])
const told = (id: string) => props.open.worked.value?.follows.find((f) => f.id === id)
const points = usePoints(props.open)
const parts = computed(() => [
  { value: '', text: 'choose a part' },
  ...(props.open.page.value?.parts ?? []).map((p) => ({ value: p.id, text: p.name })),
])
const devices = computed(() => [
  { value: '', text: 'surveyed points' },
  ...(props.open.page.value?.job.brief.devices ?? []).map((d) => ({ value: d.id, text: `feet of ${d.name}` })),
])
const holesOf = usePartHoles(() => list.value.map((f) => f.part))
const holes = (part: string) => [{ value: '', text: 'choose a hole' }, ...(holesOf.value[part]?.holes ?? [])]
const said = ref('')
const wrong = ref('')
async function bring(id: string) {
  said.value = wrong.value = ''
  try {
    if (props.open.state.value !== 'saved') await props.open.send()
    const got = await take(api.POST('/api/v1/jobs/{id}/bring', { params: { path: { id: props.job } }, body: { follow: id } }))
    said.value = got.parts.length
      ? `Brought up to date: ${got.parts.join(', ')}. Undo is on the Shape bench.`
      : 'Nothing had to move.'
    refreshJobs()
    await props.open.refetch()
  } catch (e) {
    wrong.value = words(e)
  }
}
const blank = () => ({ id: newId(), name: '', part: '', holes: [] })
</script>

<template>
  <div class="stack">
    <p v-if="!list.length" class="soft">Tie a part's holes to a hole map: when the survey changes, the part says so.</p>
    <CardList
      :rows="list"
      word="following"
      :name="(f) => told(f.id)?.name"
      add="Let a pattern follow"
      :make="blank"
      @change="(v) => open.set('/follows', v)"
      v-slot="{ row: f, i }"
    >
      <article class="follow" :data-follow="told(f.id)?.name" :data-stale="told(f.id)?.stale">
        <FieldGrid :min="150" low>
          <PickOne
            label="Part"
            :choices="parts"
            :model-value="f.part"
            @update:model-value="(v) => open.set(`/follows/${i}/part`, v)"
          />
          <PickOne
            label="Follows"
            :choices="devices"
            :model-value="f.device ?? ''"
            @update:model-value="(v) => open.set(`/follows/${i}/device`, v || undefined)"
          />
          <ValueField
            label="Bolt diameter"
            :model-value="f.bolt ?? null"
            :lengths="open.style.value"
            :wrong="open.fault(`/follows/${i}/bolt`)"
            @update:model-value="(v) => open.set(`/follows/${i}/bolt`, v)"
          />
          <label class="tick"
            ><input
              type="checkbox"
              :checked="f.mirror"
              @change="open.set(`/follows/${i}/mirror`, ($event.target as HTMLInputElement).checked || undefined)"
            />
            the part is drawn from behind</label
          >
        </FieldGrid>
        <div class="two">
          <FollowSketch v-if="told(f.id)?.holes.length" :told="told(f.id)!" />
          <p v-else class="small why">{{ told(f.id)?.why }}</p>
          <div class="stack">
            <p v-if="told(f.id)?.holes.length">
              largest difference <b class="num big">{{ told(f.id)!.most }}</b>
              {{ told(f.id)!.stale ? 'out of date' : 'up to date' }}
              <WhyButton v-if="told(f.id)!.working" :name="told(f.id)!.name" :working="told(f.id)!.working!" />
            </p>
            <button v-if="told(f.id)?.stale" type="button" class="press main" @click="bring(f.id)">
              Bring the part up to date
            </button>
            <template v-if="told(f.id)?.other">
              <h3>The other side</h3>
              <p :data-other="told(f.id)!.other!.answer">{{ told(f.id)!.other!.says }}</p>
              <ul v-if="told(f.id)!.other!.slots.length">
                <li v-for="s in told(f.id)!.other!.slots" :key="s">{{ s }}</li>
              </ul>
            </template>
          </div>
        </div>
        <SaySo label="What it says" :list="(told(f.id)?.findings ?? []).filter((x) => x.code === 'stale')" />
        <details>
          <summary>{{ f.holes.length }} holes follow</summary>
          <CardList
            :rows="f.holes"
            word="hole"
            add="Hole"
            :make="() => ({ hole: '', point: '' })"
            small
            @change="(v) => open.set(`/follows/${i}/holes`, v)"
            v-slot="{ row: m, i: k }"
          >
            <div class="mate">
              <PickOne
                :label="`Hole ${k + 1}`"
                :choices="holes(f.part)"
                :model-value="m.hole"
                @update:model-value="(v) => open.set(`/follows/${i}/holes/${k}/hole`, v)"
              />
              <PickOne
                v-if="!f.device"
                label="follows"
                :choices="points"
                :model-value="m.point"
                @update:model-value="(v) => open.set(`/follows/${i}/holes/${k}/point`, v)"
              />
              <span v-else class="small soft">foot {{ k + 1 }}</span>
            </div>
          </CardList>
        </details>
      </article>
    </CardList>
    <p role="status" class="small">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.follow {
  display: grid;
  gap: 10px;
}
.follow[data-stale='true'] {
  border-left: 4px solid var(--stop);
  padding-left: 10px;
}
.gone {
  justify-self: end;
}
.two {
  display: grid;
  grid-template-columns: minmax(260px, 1fr) minmax(220px, 1fr);
  gap: 16px;
  align-items: start;
}
.big {
  font-size: 1.3rem;
}
.why {
  font-style: italic;
}
summary {
  min-height: 40px;
  padding-top: 8px;
  cursor: pointer;
  font-weight: 560;
}
.mate {
  display: grid;
  grid-template-columns: minmax(130px, 240px) minmax(130px, 240px);
  gap: 10px;
  align-items: end;
  padding-bottom: 8px;
}
@media (max-width: 760px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
