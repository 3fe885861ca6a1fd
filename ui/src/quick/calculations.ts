// The quick numbers: what each asks, what it answers, in which words. The
// computing is the server's.
import { wordsOf } from '@/api/words'
import type { Calculation, Field } from './calculation'
import { bentCalculation } from './bent'
import { memberCalculations } from './members'
import { roundCalculations } from './rounds'
import { fasteningCalculations } from './fastening'
import { fittingCalculations } from './fitting'
import { strengthCalculations } from './strength'
import { weldingCalculations } from './welding'
import { surveyCalculations } from './survey'

const R: Field = { key: 'insideRadius', label: 'Inside radius', letter: 'R', kind: 'length', start: 3 }
const T: Field = { key: 'thickness', label: 'Thickness', letter: 'T', kind: 'length', start: 3 }
const K: Field = { key: 'kFactor', label: 'K', kind: 'number', start: 0.42 }
const A: Field = { key: 'angle', label: 'Bend angle, from flat', letter: 'A', kind: 'angle', start: 90 }

export const calculations: Calculation[] = [
  {
    name: 'length.parse',
    slug: 'length',
    title: 'Lengths',
    about: 'Arithmetic in fractions, inches and millimetres',
    bench: 'measure',
    said: 'fraction decimal convert inch mm millimetre metric add subtract half tape arithmetic feet',
    fields: [],
    results: [],
    special: 'length',
  },
  {
    name: 'gauge',
    slug: 'gauge',
    title: 'Gauge',
    about: 'Sheet thickness by gauge and family',
    bench: 'shape',
    said: 'sheet metal ga 10 ga 14 gauge 16 gauge',
    fields: [
      {
        key: 'family',
        label: 'Family',
        kind: 'choice',
        start: 'steel',
        choices: () => wordsOf('GaugeRequest', 'family'),
      },
      { key: 'gauge', label: 'Gauge', kind: 'number', start: 14 },
    ],
    results: [{ key: 'mm', label: 'Nominal thickness', kind: 'fine', lead: true }],
  },
  {
    name: 'drill',
    slug: 'drill',
    title: 'Drill',
    about: 'Number, letter and fraction drills by name, for a hole, a bolt or a tap',
    bench: 'make',
    said: 'tap drill drill size drill bit clearance hole hole for a bolt',
    fields: [{ key: 'diameter', label: 'Hole', kind: 'hole', start: 9, note: 'a size, M8, 3/8 bolt loose, 5/16-18 tap, #7, F' }],
    request: (v, inches) => ({ diameter: v.diameter, inches }),
    results: [
      { key: 'text', label: 'Take', kind: 'text', lead: true },
      { key: 'inch', label: 'Nearest number, letter or fraction', kind: 'text' },
      { key: 'inchSize', label: 'that is', kind: 'fine' },
      { key: 'inchOff', label: 'larger than the hole by', kind: 'fine' },
      { key: 'metric', label: 'Nearest metric', kind: 'text' },
      { key: 'metricSize', label: 'that is', kind: 'fine' },
      { key: 'metricOff', label: 'larger than the hole by', kind: 'fine' },
    ],
  },
  {
    name: 'bend',
    slug: 'bend',
    title: 'Bend',
    about: 'Allowance, setback and deduction from K',
    bench: 'shape',
    said: 'BA BD K factor brake bent',
    fields: [R, T, K, A],
    results: [
      { key: 'bendAllowance', label: 'Bend allowance BA', kind: 'fine', lead: true },
      { key: 'bendDeduction', label: 'Bend deduction BD', kind: 'fine', lead: true },
      { key: 'outsideSetback', label: 'Outside setback', kind: 'length' },
      { key: 'tangentSetback', label: 'Setback to the tangent plane', kind: 'length' },
    ],
  },
  {
    name: 'bend.schools',
    slug: 'schools',
    title: 'Two legs, every school',
    about: 'The flat length under coupon, chart, standard and fixed K',
    bench: 'shape',
    said: 'bracket angle k factor blank bend allowance chart',
    fields: [
      { key: 'material', label: 'Material', kind: 'material', start: 'steel-a36' },
      T,
      R,
      A,
      { key: 'legA', label: 'Leg, outside', letter: 'a', kind: 'length', start: 50 },
      { key: 'legB', label: 'Leg, outside', letter: 'b', kind: 'length', start: 60 },
      {
        key: 'method',
        label: 'Bent',
        kind: 'choice',
        start: 'air',
        choices: () => wordsOf('SchoolsRequest', 'method'),
      },
      { key: 'k', label: 'Fixed K', kind: 'number', start: null, optional: true, note: 'leave empty if you have none' },
    ],
    results: [],
    special: 'schools',
  },
  {
    name: 'bend.coupon',
    slug: 'coupon',
    title: 'K from a coupon',
    about: 'A bent test strip gives K for its sheet and tool',
    bench: 'shape',
    said: 'test strip test bend find K factor',
    fields: [
      { key: 'flat', label: 'Flat length before', letter: 'L', kind: 'length', start: 100 },
      { key: 'legA', label: 'Leg, outside', letter: 'a', kind: 'length', start: 52.65 },
      { key: 'legB', label: 'Leg, outside', letter: 'b', kind: 'length', start: 52.65 },
      R,
      T,
      A,
    ],
    results: [
      { key: 'kFactor', label: 'K', kind: 'number', lead: true },
      { key: 'bendDeduction', label: 'Bend deduction BD', kind: 'fine' },
      { key: 'bendAllowance', label: 'Bend allowance BA', kind: 'fine' },
    ],
  },
  {
    name: 'section',
    slug: 'section',
    title: 'Profile',
    about: 'Flat length and bend lines of any folded profile',
    bench: 'shape',
    said: 'hat channel flat pattern developed folded',
    fields: [T, K],
    results: [{ key: 'flat', label: 'Flat length', kind: 'length', lead: true }],
    special: 'section',
  },
  {
    name: 'jog',
    slug: 'jog',
    title: 'Jog',
    about: 'Two equal, opposite bends that shift the sheet',
    bench: 'shape',
    said: 'joggle offset bend step z bend',
    fields: [
      { key: 'depth', label: 'Depth, same faces', letter: 'D', kind: 'length', start: 10 },
      { ...R, start: 2 },
      { ...T, start: 2 },
      { ...A, start: 45 },
      { ...K, start: 0.4 },
    ],
    results: [
      { key: 'flat', label: 'Developed length of the jog', kind: 'length', lead: true },
      { key: 'growth', label: 'Flat is longer than the run by', kind: 'length', lead: true },
      { key: 'run', label: 'Run along the sheet', kind: 'length' },
      { key: 'slope', label: 'Slope between the bends', kind: 'length' },
    ],
  },
  {
    name: 'hem',
    slug: 'hem',
    title: 'Hem',
    about: 'An edge folded back on itself',
    bench: 'shape',
    said: 'hemmed safe edge fold back',
    fields: [
      { key: 'outside', label: 'Sheet to the fold, outside', letter: 'a', kind: 'length', start: 50 },
      { key: 'return', label: 'Return, outside', letter: 'b', kind: 'length', start: 12 },
      { ...R, start: 0, note: '0 for a closed hem' },
      { ...T, start: 1 },
      { ...K, start: 0.5 },
    ],
    results: [
      { key: 'flat', label: 'Flat length', kind: 'length', lead: true },
      { key: 'bendAllowance', label: 'Bend allowance', kind: 'fine' },
    ],
  },
  {
    name: 'tray',
    slug: 'tray',
    title: 'Tray blank',
    about: 'Four sides folded up, outside sizes',
    bench: 'shape',
    said: 'pan box',
    fields: [
      { key: 'length', label: 'Length', letter: 'L', kind: 'length', start: 300 },
      { key: 'width', label: 'Width', letter: 'W', kind: 'length', start: 200 },
      { key: 'height', label: 'Height', letter: 'H', kind: 'length', start: 50 },
      { ...R, start: 2 },
      { ...T, start: 2 },
      { ...K, start: 0.4 },
    ],
    results: [
      { key: 'blankX', label: 'Blank, from the length', kind: 'length', lead: true },
      { key: 'blankY', label: 'Blank, from the width', kind: 'length', lead: true },
    ],
  },
  {
    name: 'bend.springback',
    slug: 'springback',
    title: 'Springback',
    about: 'The angle to bend to so that the wanted one is left',
    bench: 'shape',
    said: 'overbend springs back',
    fields: [
      { ...R, label: 'Inside radius under the tool' },
      T,
      { key: 'yield', label: 'Yield strength', letter: 'Sy', kind: 'stress', start: 250 },
      { key: 'modulus', label: 'Modulus', letter: 'E', kind: 'stress', start: 200000 },
      { ...A, label: 'Angle wanted' },
    ],
    results: [
      { key: 'aimAngle', label: 'Bend to', kind: 'angle', lead: true },
      { key: 'releasedRadius', label: 'Radius after release', kind: 'length' },
      { key: 'ratio', label: 'Ri/Rf', kind: 'number' },
    ],
  },
  {
    name: 'bend.force',
    slug: 'force',
    title: 'Press force',
    about: 'Force of an air bend over a V die',
    bench: 'shape',
    said: 'tonnage press brake tons',
    fields: [
      T,
      { key: 'length', label: 'Length of the bend', letter: 'L', kind: 'length', start: 1000 },
      { key: 'dieOpening', label: 'Die opening', letter: 'V', kind: 'length', start: 24 },
      { key: 'tensile', label: 'Tensile strength', letter: 'UTS', kind: 'stress', start: 400 },
    ],
    results: [{ key: 'newtons', label: 'Press force', kind: 'force', lead: true }],
  },
  ...surveyCalculations,
  ...fittingCalculations,
  ...memberCalculations,
  ...roundCalculations,
  bentCalculation,
  ...strengthCalculations,
  ...fasteningCalculations,
  ...weldingCalculations,
]

const used = 'warmanvil.quick.used'
const when = () => JSON.parse(localStorage.getItem(used) ?? '{}') as Record<string, number>

/** The calculations, last used first. */
export function inOrder(): Calculation[] {
  const t = when()
  return [...calculations].sort((a, b) => (t[b.slug] ?? 0) - (t[a.slug] ?? 0))
}

const benches = { measure: 'Measure', shape: 'Shape', hold: 'Hold', make: 'Make' }

/** The list as it stands when nothing is asked for: what was used last, then bench by bench. */
export function grouped(order: Calculation[]): { title: string; list: Calculation[] }[] {
  const t = when()
  const last = order.filter((c) => t[c.slug]).slice(0, 5)
  const rest = Object.entries(benches).map(([bench, title]) => ({
    title,
    list: calculations.filter((c) => c.bench === bench && !last.includes(c)),
  }))
  return [{ title: 'Used last', list: last }, ...rest].filter((g) => g.list.length)
}

export function markUsed(slug: string) {
  localStorage.setItem(used, JSON.stringify({ ...when(), [slug]: Date.now() }))
}
