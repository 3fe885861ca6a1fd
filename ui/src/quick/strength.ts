// The quick numbers of bolts and feet.
import type { Calculation, Field } from './calculation'

const number = (v: unknown) => v as number
const places = (v: unknown) => v as number[][]
const F = (key: string, label: string, start: number | null, more: Partial<Field> = {}): Field => ({
  key,
  label,
  kind: 'number',
  start,
  ...more,
})
const square = [
  [0, 0],
  [0, 100],
  [100, 0],
  [100, 100],
]
const bolts: Field = { key: 'bolts', label: 'Bolts', kind: 'places', start: square, axes: ['across', 'up'] }
export const thread: Field = { key: 'thread', label: 'Thread', kind: 'thread', start: 'metric M10 1.5', inch: 'inch 3/8 16' }
const grade: Field = { key: 'grade', label: 'Class', kind: 'grade', start: '8.8', inch: 'SAE 5' }
/** "metric M10 1.5" as the request's members. */
export function threadOf(v: unknown) {
  const [system, ...rest] = String(v).split(' ')
  return { system, size: rest.slice(0, -1).join(' '), pitch: Number(rest.at(-1)) }
}

export const strengthCalculations: Calculation[] = [
  {
    name: 'fastener',
    slug: 'fastener',
    title: 'Bolt',
    about: 'Loads, holes and tap drill by size and class',
    bench: 'hold',
    said: 'screw clearance hole strength proof tensile grade class thread',
    fields: [thread, grade],
    request: (v) => ({ ...threadOf(v.thread), grade: v.grade }),
    results: [
      { key: 'proofLoad', label: 'Proof load', kind: 'force', lead: true },
      { key: 'tensileLoad', label: 'Breaks at', kind: 'force' },
      { key: 'stressArea', label: 'Stress area', kind: 'section' },
      { key: 'clearance/close', label: 'Hole, close', kind: 'drill' },
      { key: 'clearance/normal', label: 'Hole, normal', kind: 'drill', lead: true },
      { key: 'clearance/loose', label: 'Hole, loose', kind: 'drill' },
      { key: 'tapDrill', label: 'Tap drill', kind: 'drill', lead: true },
    ],
  },
  {
    name: 'torque',
    slug: 'torque',
    title: 'Torque',
    about: 'How tight, and what preload that gives',
    bench: 'hold',
    said: 'tighten tightening clamp foot pounds newton metres wrench bolt',
    fields: [
      thread,
      grade,
      F('nutFactor', 'Nut factor', 0.2, { letter: 'K', note: 'dry about 0.20, waxed 0.12' }),
      F('share', 'Share of proof', 0.75, { note: '0.9 for joints that stay' }),
    ],
    request: (v) => ({ ...threadOf(v.thread), grade: v.grade, nutFactor: v.nutFactor, share: v.share }),
    results: [
      { key: 'torque', label: 'Tighten to', kind: 'moment', lead: true },
      { key: 'preload', label: 'Preload', kind: 'force', lead: true },
      { key: 'least', label: 'Preload at least', kind: 'force' },
      { key: 'most', label: 'Preload at most', kind: 'force' },
    ],
  },
  {
    name: 'boltgroup.elastic',
    slug: 'bolts',
    title: 'Bolt group',
    about: 'What each bolt carries of a load beside the group',
    bench: 'hold',
    said: 'eccentric shear pattern bracket',
    fields: [
      bolts,
      F('right', 'Force to the right', 0, { kind: 'force' }),
      F('down', 'Force down', 10000, { kind: 'force' }),
      { key: 'x', label: 'It acts at, across', kind: 'length', start: 200 },
      { key: 'y', label: 'It acts at, up', kind: 'length', start: 50 },
    ],
    request: (v) => ({ bolts: places(v.bolts), force: [v.right, -number(v.down)], at: [v.x, v.y] }),
    results: [
      { key: 'max', label: 'Hardest bolt', kind: 'force', lead: true },
      { key: 'forces', label: 'Each bolt', kind: 'forces' },
      { key: 'moment', label: 'Moment about the middle', kind: 'moment' },
    ],
  },
  {
    name: 'boltgroup.icr',
    slug: 'centre',
    title: 'Bolt group, ultimate',
    about: 'Instantaneous centre: how many bolts’ worth it carries',
    bench: 'hold',
    said: 'icr instantaneous center eccentric',
    fields: [
      bolts,
      { key: 'angle', label: 'Load from straight down', kind: 'angle', start: 0 },
      { key: 'eccentricity', label: 'Beside the middle, along the horizontal', letter: 'e', kind: 'length', start: 150 },
    ],
    request: (v) => ({ bolts: places(v.bolts), angle: v.angle, eccentricity: v.eccentricity }),
    results: [{ key: 'coefficient', label: 'Carries, in bolts', kind: 'number', lead: true }],
  },
  {
    name: 'boltgroup.outofplane',
    slug: 'pull',
    title: 'Bolts pulled',
    about: 'Tension from a load that bends a bracket off its wall',
    bench: 'hold',
    said: 'prying tension bracket wall bolt group',
    fields: [
      { key: 'rows', label: 'Rows', kind: 'places', start: [[40], [120]], axes: ['above the lower edge'] },
      F('columns', 'Bolts in a row', 2),
      F('shear', 'Load along the wall', 5000, { kind: 'force', letter: 'V' }),
      { key: 'eccentricity', label: 'From the wall', letter: 'e', kind: 'length', start: 120 },
    ],
    request: (v) => ({ rows: places(v.rows).map((r) => r[0]), columns: v.columns, shear: v.shear, eccentricity: v.eccentricity }),
    results: [
      { key: 'centroid', label: 'Pull per bolt by row, turning about the middle', kind: 'forces', lead: true },
      { key: 'lowerEdge', label: 'Pull per bolt by row, turning about the lower edge', kind: 'forces' },
      { key: 'moment', label: 'Moment', kind: 'moment' },
    ],
  },
  {
    name: 'interaction',
    slug: 'together',
    title: 'Shear with tension',
    about: 'How much of one bolt both use up',
    bench: 'hold',
    said: 'combined interaction bolt',
    fields: [
      F('shear', 'Shear', 3000, { kind: 'force', letter: 'V' }),
      F('allowableShear', 'May carry in shear', 10000, { kind: 'force' }),
      F('tension', 'Tension', 8000, { kind: 'force', letter: 'T' }),
      F('allowableTension', 'May carry in tension', 20000, { kind: 'force' }),
    ],
    results: [
      { key: 'elliptical', label: 'Used, ellipse', kind: 'share', lead: true },
      { key: 'linear', label: 'Used, straight line', kind: 'share' },
    ],
  },
  {
    name: 'feet',
    slug: 'feet',
    title: 'On its feet',
    about: 'What each foot of a device puts on its mount',
    bench: 'hold',
    said: 'reaction tipping device load',
    fields: [
      F('mass', 'Mass', 185, { kind: 'mass' }),
      { key: 'h', label: 'Centre of gravity above the feet', letter: 'h', kind: 'length', start: 620 },
      { key: 'gx', label: 'Centre of gravity, forward', kind: 'length', start: 0 },
      { key: 'gy', label: 'Centre of gravity, left', kind: 'length', start: 0 },
      {
        key: 'feet',
        label: 'Feet',
        kind: 'places',
        start: [
          [380, 260],
          [380, -260],
          [-380, 260],
          [-380, -260],
        ],
        axes: ['forward', 'left'],
      },
      F('down', 'Down, g', 2, { note: 'gravity included; negative lifts' }),
      F('forward', 'Pushed forward, g', 0.8),
      F('left', 'Pushed left, g', 0),
      F('loose', 'Loose foot', null, { optional: true, note: 'its number, or empty' }),
    ],
    request: (v) => ({
      mass: v.mass,
      centreOfGravity: [v.gx, v.gy, v.h],
      feet: places(v.feet),
      acceleration: [v.forward, v.left, -number(v.down)],
      ...(v.loose ? { loose: number(v.loose) - 1 } : {}),
    }),
    results: [{ key: 'forces', label: 'Each foot: forward, left, up', kind: 'forces', lead: true }],
  },
]
