// The quick numbers: what each asks, what it answers, in which words. The
// computing is the server's.
import { wordsOf } from '@/api/words'
import type { Calculation, Field } from './calculation'
import { bentCalculation } from './bent'
import { memberCalculations } from './members'
import { fasteningCalculations } from './fastening'
import { strengthCalculations } from './strength'
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
    fields: [],
    results: [],
    special: 'length',
  },
  {
    name: 'gauge',
    slug: 'gauge',
    title: 'Gauge',
    about: 'Sheet thickness by gauge and family',
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
    results: [
      { key: 'mm', label: 'Nominal thickness', kind: 'length', lead: true },
      { key: 'inch', label: 'in inch', kind: 'number' },
    ],
  },
  {
    name: 'bend',
    slug: 'bend',
    title: 'Bend',
    about: 'Allowance, setback and deduction from K',
    fields: [R, T, K, A],
    results: [
      { key: 'bendAllowance', label: 'Bend allowance BA', kind: 'length', lead: true },
      { key: 'bendDeduction', label: 'Bend deduction BD', kind: 'length', lead: true },
      { key: 'outsideSetback', label: 'Outside setback', kind: 'length' },
      { key: 'tangentSetback', label: 'Setback to the tangent plane', kind: 'length' },
    ],
  },
  {
    name: 'bend.schools',
    slug: 'schools',
    title: 'Two legs, every school',
    about: 'The flat length under coupon, chart, standard and fixed K',
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
      { key: 'bendDeduction', label: 'Bend deduction BD', kind: 'length' },
      { key: 'bendAllowance', label: 'Bend allowance BA', kind: 'length' },
    ],
  },
  {
    name: 'section',
    slug: 'section',
    title: 'Profile',
    about: 'Flat length and bend lines of any folded profile',
    fields: [T, K],
    results: [{ key: 'flat', label: 'Flat length', kind: 'length', lead: true }],
    special: 'section',
  },
  {
    name: 'jog',
    slug: 'jog',
    title: 'Jog',
    about: 'Two equal, opposite bends that shift the sheet',
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
    fields: [
      { key: 'outside', label: 'Sheet to the fold, outside', letter: 'a', kind: 'length', start: 50 },
      { key: 'return', label: 'Return, outside', letter: 'b', kind: 'length', start: 12 },
      { ...R, start: 0, note: '0 for a closed hem' },
      { ...T, start: 1 },
      { ...K, start: 0.5 },
    ],
    results: [
      { key: 'flat', label: 'Flat length', kind: 'length', lead: true },
      { key: 'bendAllowance', label: 'Bend allowance', kind: 'length' },
    ],
  },
  {
    name: 'tray',
    slug: 'tray',
    title: 'Tray blank',
    about: 'Four sides folded up, outside sizes',
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
    fields: [
      { ...R, label: 'Inside radius under the tool' },
      T,
      { key: 'yield', label: 'Yield strength, MPa', letter: 'Sy', kind: 'number', start: 250 },
      { key: 'modulus', label: 'Modulus, MPa', letter: 'E', kind: 'number', start: 200000 },
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
    fields: [
      T,
      { key: 'length', label: 'Length of the bend', letter: 'L', kind: 'length', start: 1000 },
      { key: 'dieOpening', label: 'Die opening', letter: 'V', kind: 'length', start: 24 },
      { key: 'tensile', label: 'Tensile strength, MPa', letter: 'UTS', kind: 'number', start: 400 },
    ],
    results: [{ key: 'newtons', label: 'Press force', kind: 'force', lead: true }],
  },
  ...surveyCalculations,
  ...memberCalculations,
  bentCalculation,
  ...strengthCalculations,
  ...fasteningCalculations,
]

const used = 'warmanvil.quick.used'
const when = () => JSON.parse(localStorage.getItem(used) ?? '{}') as Record<string, number>

/** The calculations, last used first. */
export function inOrder(): Calculation[] {
  const t = when()
  return [...calculations].sort((a, b) => (t[b.slug] ?? 0) - (t[a.slug] ?? 0))
}

export function markUsed(slug: string) {
  localStorage.setItem(used, JSON.stringify({ ...when(), [slug]: Date.now() }))
}
