<script setup lang="ts">
// Small drawings that name the letters.
import { computed } from 'vue'
import { fittingSketches } from './fittingSketches'
import type { Sketch } from './sketch'

const props = defineProps<{ name: string }>()
const bend: Sketch = {
  d: 'M20 112H120A34 34 0 0 0 154 78V18M20 98H120A20 20 0 0 0 140 78V18M20 98V112M140 18H154',
  thin: 'M120 112V122M154 112H164M120 78L134 92M154 78A34 34 0 0 1 154 112M120 98V112',
  letters: [
    ['R', 122, 80],
    ['T', 8, 110],
    ['A', 166, 100],
    ['a', 66, 130],
    ['b', 160, 48],
  ],
  says: 'A bend: inside radius R, thickness T, bend angle A from flat, legs a and b to the outside apex',
}
const sketches: Record<string, Sketch> = {
  ...fittingSketches,
  bend,
  schools: bend,
  coupon: { ...bend, letters: [...bend.letters, ['L = flat before', 40, 20]] },
  springback: {
    ...bend,
    thin: 'M154 78L176 22M147 18A60 60 0 0 1 172 26',
    letters: [
      ['R', 122, 80],
      ['T', 8, 110],
      ['A', 178, 40],
    ],
    says: 'A bend under the tool and after release',
  },
  force: {
    d: 'M40 60H160M40 74H160M60 74L100 118L140 74M92 20H108L100 58Z',
    thin: 'M60 124H140M60 118V130M140 118V130',
    letters: [
      ['V', 96, 142],
      ['T', 26, 72],
      ['L', 166, 72],
    ],
    says: 'Air bend: sheet of thickness T and length L over a die of opening V',
  },
  jog: {
    d: 'M10 96H60C70 96 74 92 80 84L100 56C106 48 110 44 120 44H190M10 108H62C76 108 82 102 90 92L110 66C114 58 116 56 124 56H190',
    thin: 'M176 44V96M170 44H182M60 96H182',
    letters: [
      ['D', 184, 76],
      ['A', 92, 54],
      ['T', 2, 106],
    ],
    says: 'A jog of depth D, both bends by angle A',
  },
  hem: {
    d: 'M10 70H150A14 14 0 0 1 150 98H90V88H150A4 4 0 0 0 150 80H10Z',
    thin: 'M10 112H164M90 122H164',
    letters: [
      ['a', 60, 126],
      ['b', 120, 136],
      ['R', 168, 88],
    ],
    says: 'A hem: sheet a and return b, both to the outside of the fold',
  },
  tray: {
    d: 'M30 60L110 30L190 60L110 92ZM30 60V90L110 122V92M110 122L190 90V60',
    letters: [
      ['L', 60, 120],
      ['W', 156, 118],
      ['H', 16, 80],
    ],
    says: 'A tray of length L, width W and height H, outside',
  },
  section: {
    d: 'M30 20V100H150V40H190M42 20V88H138V28H190',
    letters: [
      ['leg 1', 0, 70],
      ['leg 2', 78, 116],
      ['leg 3', 156, 84],
      ['leg 4', 162, 22],
    ],
    says: 'A profile: legs measured outside, bends between them',
  },
  fastener: {
    d: 'M70 24H130V50H70ZM84 50H116V118H84M84 118L88 124H112L116 118',
    thin: 'M84 74L116 80M84 84L116 90M84 94L116 100M84 104L116 110M60 50H140M60 66H140',
    letters: [['d', 96, 144]],
    says: 'A bolt of diameter d',
  },
  torque: {
    d: 'M84 60H116V118H84ZM70 34H130V60H70Z',
    thin: 'M150 30A40 26 0 0 1 150 68M150 68L144 60M150 68L158 62',
    letters: [
      ['T', 164, 54],
      ['F', 96, 138],
    ],
    says: 'A bolt tightened by torque T to preload F',
  },
  bolts: {
    d: 'M40 20H120V120H40ZM58 40A4 4 0 1 0 58.1 40M102 40A4 4 0 1 0 102.1 40M58 100A4 4 0 1 0 58.1 100M102 100A4 4 0 1 0 102.1 100M120 62H170V78H120',
    thin: 'M164 78V118M164 118L159 109M164 118L169 109M80 130H164',
    letters: [
      ['F', 172, 100],
      ['across', 96, 146],
    ],
    says: 'A bolt group with a load beside it',
  },
  centre: {
    d: 'M40 20H120V120H40ZM58 40A4 4 0 1 0 58.1 40M102 40A4 4 0 1 0 102.1 40M58 100A4 4 0 1 0 58.1 100M102 100A4 4 0 1 0 102.1 100M120 62H170V78H120',
    thin: 'M164 78V118M164 118L159 109M164 118L169 109M80 70H164M80 64V76',
    letters: [['e', 138, 60]],
    says: 'A bolt group with a load at eccentricity e',
  },
  pull: {
    d: 'M40 16V126H52V16ZM52 40H66V110H52M66 96H160V110H66M40 56H30M40 92H30',
    thin: 'M150 60V94M150 94L145 86M150 94L155 86M52 124H150',
    letters: [
      ['V', 156, 72],
      ['e', 98, 140],
    ],
    says: 'A bracket bent off its wall by load V at distance e',
  },
  together: {
    d: 'M30 50H120V64H30ZM80 64H170V78H80ZM94 36H108V92H94ZM86 28H116V36H86Z',
    thin: 'M20 57H4M4 57L10 53M4 57L10 61M180 71H196M196 71L190 67M196 71L190 75M101 92V118M101 118L97 110M101 118L105 110',
    letters: [
      ['V', 182, 62],
      ['T', 108, 116],
    ],
    says: 'A bolt in shear V and tension T',
  },
  feet: {
    d: 'M50 30H150V100H50ZM58 100V114H70V100M130 100V114H142V100M30 114H170',
    thin: 'M100 56A4 4 0 1 0 100.1 56M100 60V114M104 56H134M134 56L127 52M134 56L127 60',
    letters: [
      ['h', 104, 92],
      ['push', 104, 46],
    ],
    says: 'A device on its feet, pushed at its centre of gravity of height h',
  },
  gauge: {
    d: 'M30 50H170V62H30ZM30 90H170V96H30Z',
    letters: [
      ['low gauge, thick', 44, 42],
      ['high gauge, thin', 44, 84],
    ],
    says: 'A low gauge is thick, a high gauge thin',
  },
}
const s = computed(() => sketches[props.name])
</script>

<template>
  <svg v-if="s" viewBox="0 0 200 146" class="sketch" role="img" :aria-label="s.says">
    <path :d="s.d" class="solid" />
    <path v-if="s.thin" :d="s.thin" class="thin" />
    <text v-for="[t, x, y] in s.letters" :key="t" :x="x" :y="y">{{ t }}</text>
  </svg>
</template>

<style scoped>
.sketch {
  width: 260px;
  max-width: 100%;
  background: var(--board);
  border: 1px solid var(--rule);
  padding: 6px;
}
.solid {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.8;
}
.thin {
  fill: none;
  stroke: var(--pick);
  stroke-width: 0.9;
}
text {
  font: 640 13px var(--text);
  fill: var(--line);
}
</style>
