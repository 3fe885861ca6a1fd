// The quick numbers of measuring and fitting.
import { wordsOf } from '@/api/words'
import type { Calculation, Field } from './calculation'

const L = (key: string, label: string, start: number, more: Partial<Field> = {}): Field => ({
  key,
  label,
  kind: 'length',
  start,
  ...more,
})
const n = (v: unknown) => v as number
const rows = (v: unknown) => v as number[][]

export const surveyCalculations: Calculation[] = [
  {
    name: 'centres',
    slug: 'centres',
    title: 'Edge to centre',
    about: 'Centre distance of two holes from where the tape lay',
    fields: [
      {
        key: 'method',
        label: 'The tape lay',
        kind: 'choice',
        start: 'inside',
        choices: () => wordsOf('HoleCentresInput', 'method'),
      },
      L('value', 'Read', 90),
      L('diameterA', 'Diameter of A', 11),
      L('diameterB', 'Diameter of B', 9),
    ],
    results: [{ key: 'centres', label: 'Centre to centre', kind: 'length', lead: true }],
  },
  {
    name: 'locate',
    slug: 'third',
    title: 'Third hole',
    about: 'A point from two distances, on either side',
    fields: [L('ab', 'A to B', 500), L('ac', 'A to the point', 300), L('bc', 'B to the point', 400)],
    results: [
      { key: 'solutions', label: 'Along A to B, beside it', kind: 'lengths', lead: true },
      { key: 'moves', label: 'A millimetre of reading moves it up to', kind: 'length' },
    ],
  },
  {
    name: 'locate.space',
    slug: 'space',
    title: 'Point in space',
    about: 'From three distances or more to known points',
    fields: [
      {
        key: 'from',
        label: 'Known point and distance',
        kind: 'places',
        axes: ['forward', 'left', 'up', 'distance'],
        start: [
          [0, 0, 0, 700],
          [800, 0, 0, 640],
          [0, 900, 0, 800],
          [0, 0, 900, 760],
        ],
      },
    ],
    request: (v) => ({ from: rows(v.from).map((r) => ({ at: r.slice(0, 3), distance: r[3] })) }),
    results: [
      { key: 'solutions', label: 'Forward, left, up', kind: 'lengths', lead: true },
      { key: 'sigma', label: 'Known to', kind: 'length' },
      { key: 'residuals', label: 'Distances off by', kind: 'lengths' },
    ],
  },
  {
    name: 'holemap',
    slug: 'holes',
    title: 'Hole map',
    about: 'Holes from any distances between them; the wrong one is named',
    fields: [
      {
        key: 'readings',
        label: 'Distance',
        kind: 'places',
        axes: ['from hole', 'to hole', 'centre to centre'],
        axisKinds: ['count', 'count', 'length'],
        start: [
          [1, 2, 300],
          [1, 3, 400],
          [2, 3, 500],
          [1, 4, 500],
          [2, 4, 400],
          [3, 4, 300],
        ],
      },
    ],
    request: (v) => ({
      count: Math.max(2, ...rows(v.readings).flatMap((r) => r.slice(0, 2))),
      readings: rows(v.readings).map((r) => ({ from: n(r[0]) - 1, to: n(r[1]) - 1, distance: r[2] })),
    }),
    results: [
      { key: 'points', label: 'Along holes 1 and 2, beside them', kind: 'lengths', lead: true },
      { key: 'residuals', label: 'Readings off by', kind: 'lengths' },
    ],
  },
  {
    name: 'level',
    slug: 'level',
    title: 'Level',
    about: 'Pitch, roll, twist and packing from four heights',
    fields: [
      L('wheelbase', 'Front to rear', 2000),
      L('track', 'Left to right', 1500),
      L('fl', 'Height front left', 515),
      L('fr', 'Height front right', 500),
      L('rl', 'Height rear left', 535),
      L('rr', 'Height rear right', 521),
    ],
    request: (v) => ({
      wheelbase: v.wheelbase,
      track: v.track,
      heights: { frontLeft: v.fl, frontRight: v.fr, rearLeft: v.rl, rearRight: v.rr },
    }),
    results: [
      { key: 'pitch', label: 'Pitch, nose low', kind: 'angle', lead: true },
      { key: 'roll', label: 'Roll, left high', kind: 'angle', lead: true },
      { key: 'twist', label: 'Twist', kind: 'length' },
      { key: 'packing/frontLeft', label: 'Pack front left', kind: 'length' },
      { key: 'packing/frontRight', label: 'Pack front right', kind: 'length' },
      { key: 'packing/rearLeft', label: 'Pack rear left', kind: 'length' },
      { key: 'packing/rearRight', label: 'Pack rear right', kind: 'length' },
    ],
  },
  {
    name: 'slope',
    slug: 'slope',
    title: 'Angle to the vehicle',
    about: 'A gauge reading with the vehicle’s own slope taken off',
    fields: [
      { key: 'reading', label: 'Read on the face', kind: 'angle', start: 33.5 },
      { key: 'own', label: 'Read on the vehicle’s own level face', kind: 'angle', start: -1.5 },
      { key: 'wanted', label: 'Wanted to the vehicle', kind: 'angle', start: 30 },
    ],
    results: [
      { key: 'angle', label: 'To the vehicle', kind: 'angle', lead: true },
      { key: 'turn', label: 'Turn it by', kind: 'angle' },
      { key: 'show', label: 'The gauge then shows', kind: 'angle', lead: true },
    ],
  },
  {
    name: 'square',
    slug: 'square',
    title: 'Square',
    about: 'How far a frame is out of square, by its diagonals',
    fields: [
      L('length', 'Length', 1800),
      L('width', 'Width', 900),
      L('leftToRight', 'Front left to rear right', 2010),
      L('rightToLeft', 'Front right to rear left', 2015),
    ],
    results: [
      { key: 'outOfSquare', label: 'Diagonals differ by', kind: 'length', lead: true },
      { key: 'angle', label: 'Off square', kind: 'angle', lead: true },
      { key: 'shift', label: 'Push the front to the right by', kind: 'length' },
      { key: 'expected', label: 'Each diagonal when square', kind: 'length' },
    ],
  },
  {
    name: 'stackup',
    slug: 'stack',
    title: 'Stack-up',
    about: 'Standoff from a gap and what else fills it',
    fields: [
      L('gap', 'Gap', 100),
      L('plus', 'It may be more by', 2),
      L('minus', 'It may be less by', 1),
      {
        key: 'layers',
        label: 'Layer',
        kind: 'places',
        axes: ['thickness', 'plus', 'minus'],
        start: [
          [5, 0.3, 0.3],
          [12, 0, 2],
        ],
      },
    ],
    request: (v) => ({
      gap: { thickness: v.gap, plus: v.plus, minus: v.minus },
      layers: rows(v.layers).map((r) => ({ thickness: r[0], plus: r[1], minus: r[2] })),
    }),
    results: [
      { key: 'nominal', label: 'Standoff', kind: 'length', lead: true },
      { key: 'worst/min', label: 'Worst case, least', kind: 'length' },
      { key: 'worst/max', label: 'Worst case, most', kind: 'length' },
      { key: 'rss/min', label: 'Root of squares, least', kind: 'length' },
      { key: 'rss/max', label: 'Root of squares, most', kind: 'length' },
    ],
  },
  {
    name: 'shims',
    slug: 'shims',
    title: 'Spacers and shims',
    about: 'One spacer for all places, shims for the rest',
    fields: [
      { key: 'standoffs', label: 'Standoff', kind: 'places', axes: ['mm'], start: [[40.2], [41.7], [40.9]] },
      L('grain', 'The saw cuts to', 1),
      { key: 'shims', label: 'Shim at hand', kind: 'places', axes: ['thick'], start: [[0.5], [1], [2]] },
    ],
    request: (v) => ({ standoffs: rows(v.standoffs).flat(), grain: v.grain, shims: rows(v.shims).flat() }),
    results: [
      { key: 'places/0/spacer', label: 'Spacer', kind: 'length', lead: true },
      { key: 'places/0/shims', label: 'Shims at the first place', kind: 'lengths' },
      { key: 'places/1/shims', label: 'at the second', kind: 'lengths' },
      { key: 'places/2/shims', label: 'at the third', kind: 'lengths' },
    ],
  },
  {
    name: 'fit',
    slug: 'fit',
    title: 'Sliding fit',
    about: 'Whether one section goes into another, coats and seam counted',
    fields: [
      L('iw', 'Goes in: width outside', 50),
      L('ih', 'Goes in: height outside', 50),
      L('ic', 'Goes in: corner radius', 3),
      L('icoat', 'Goes in: coat, a face', 0.1),
      L('ow', 'Outer: width inside', 52),
      L('oh', 'Outer: height inside', 52),
      L('oc', 'Outer: corner radius', 1),
      L('ocoat', 'Outer: coat, a face', 0.1),
      L('seam', 'Outer: seam stands in by', 0.5),
    ],
    request: (v) => ({
      inner: { width: v.iw, height: v.ih, corner: v.ic, coat: v.icoat },
      outer: { width: v.ow, height: v.oh, corner: v.oc, coat: v.ocoat, seam: v.seam },
    }),
    results: [
      { key: 'goes', label: 'It', kind: 'text', lead: true },
      { key: 'across/nominal', label: 'Clearance a side, across', kind: 'length', lead: true },
      { key: 'upright/nominal', label: 'Clearance a side, upright', kind: 'length' },
      { key: 'corner', label: 'Between the corners', kind: 'length' },
      { key: 'across/shim', label: 'Shim a side that centres it', kind: 'length' },
    ],
  },
  {
    name: 'clearance',
    slug: 'clearance',
    title: 'Lid against a box',
    about: 'Least distance of a swinging lid from a box in front of it',
    fields: [
      L('length', 'Box, along the lid', 200),
      L('depth', 'Box, away from the hinge', 100),
      L('height', 'Box, up', 150),
      L('off', 'Hinge before the box by', 120),
      L('up', 'Hinge over its foot by', 200),
      L('reach', 'Lid reaches', 300),
      { key: 'turn', label: 'It opens downwards by', kind: 'angle', start: 100 },
    ],
    request: (v) => ({
      body: [{ form: 'box', at: [0, 0, 0], size: [v.depth, v.length, v.height] }],
      spaces: [
        {
          id: 'lid',
          name: 'the lid',
          kind: 'moving',
          moves: ['inUse'],
          shape: {
            form: 'swing',
            at: [n(v.depth) + n(v.off), 0, v.up],
            axis: [0, -1, 0],
            start: [-1, 0, 0],
            radius: v.reach,
            low: -n(v.length),
            high: 0,
            turn: v.turn,
            thick: 0,
          },
        },
      ],
    }),
    results: [
      { key: 'least', label: 'Keeps off by', kind: 'length', lead: true },
      { key: 'spaces/0/depth', label: 'Runs into it by at least', kind: 'length' },
    ],
  },
]
