<script setup lang="ts">
// The holes of a map: what each measures across, and where it came out to be from hole 1
// along the line to hole 2 and off it.
import CardList from '@/kit/CardList.vue'
import { newId } from '@/api/ids'
import type { HoleMap, MapTold } from '@/api/client'
import type { OpenSurvey } from '@/jobs/useSurvey'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenSurvey; map: HoleMap; told?: MapTold; at: `/maps/${number}` }>()
const came = (id: string) => props.told?.holes.find((h) => h.id === id)
</script>

<template>
  <div class="holes">
    <CardList
      :rows="map.holes"
      word="hole"
      add="Hole"
      :make="() => ({ id: newId(), diameter: map.holes.at(-1)?.diameter })"
      small
      flow
      @change="(v) => open.set(`${at}/holes`, v)"
      v-slot="{ row: h, i: k }"
    >
      <div class="hole" :data-hole="k + 1">
        <span class="num">{{ h.name || k + 1 }}</span>
        <ValueField
          :label="`Diameter of hole ${k + 1}`"
          hide-label
          kind="hole"
          :model-value="h.diameter ?? null"
          :lengths="open.style.value"
          :wrong="open.fault(`${at}/holes/${k}/diameter`)"
          @update:model-value="(v) => open.set(`${at}/holes/${k}/diameter`, v)"
        />
        <dl v-if="came(h.id)">
          <div>
            <dt>x</dt>
            <dd class="num">{{ came(h.id)!.textX }}</dd>
          </div>
          <div>
            <dt>y</dt>
            <dd class="num">{{ came(h.id)!.textY }}</dd>
          </div>
          <div>
            <dt>known to</dt>
            <dd class="num">± {{ came(h.id)!.within }}</dd>
          </div>
        </dl>
      </div>
    </CardList>
  </div>
</template>

<style scoped>
.holes {
  --flow: 452px;
}
.hole {
  display: grid;
  grid-template-columns: 26px 118px auto;
  gap: 4px 10px;
  align-items: center;
}
dl {
  display: grid;
  grid-template-columns: 96px 96px 84px;
  gap: 8px;
  margin: 0;
}
dt {
  font-size: 0.8125rem;
  color: var(--ink-soft);
  line-height: 1.1;
}
dd {
  margin: 0;
  white-space: nowrap;
}
@media (max-width: 640px) {
  .hole {
    grid-template-columns: 26px 118px;
  }
  dl {
    grid-column: 1 / -1;
  }
}
</style>
