// The quick numbers of welds.
import { wordsOf } from '@/api/words'
import type { Calculation, Field } from './calculation'

const L = (key: string, label: string, start: number | null, more: Partial<Field> = {}): Field => ({
  key,
  label,
  kind: 'length',
  start,
  ...more,
})
const filler: Field = { key: 'electrode', label: 'Weld metal', kind: 'strength', start: 'steel-unsaid 414', of: 'fillers' }
const sheet: Field = { key: 'metal', label: 'The thinner part is of', kind: 'strength', start: 'steel-a36 250 400', of: 'sheet' }
const last = (v: unknown) => Number(String(v).split(' ').at(-1))
const yieldOf = (v: unknown) => Number(String(v).split(' ').at(-2))
const butt = (v: Record<string, unknown>) => v.edges !== 'fillet'
const leans = (v: Record<string, unknown>) => butt(v) && v.edges !== 'square'
const force: Field[] = [
  { key: 'x', label: 'Force across', kind: 'force', start: 0 },
  { key: 'y', label: 'Force up', kind: 'force', start: -10000 },
  { key: 'z', label: 'Force out of the plane', kind: 'force', start: 0 },
  L('atX', 'It acts at, across', 300),
  L('atY', 'It acts at, up', 100),
  L('atZ', 'It acts at, out of the plane', 0),
]
const thin = [L('thinner', 'Thinner part', 6), L('thicker', 'Thicker part', 8)]

export const weldingCalculations: Calculation[] = [
  {
    name: 'weldgroup',
    slug: 'seams',
    title: 'Seams together',
    about: 'What a load beside a group of welds asks of a length of it',
    bench: 'hold',
    said: 'weld group eccentric load bracket weld length',
    fields: [
      {
        key: 'segments',
        label: 'Seams',
        kind: 'places',
        start: [
          [0, 0, 0, 200],
          [100, 0, 100, 200],
        ],
        axes: ['from across', 'from up', 'to across', 'to up'],
      },
      ...force,
    ],
    request: (v) => ({
      segments: (v.segments as number[][]).map(([a, b, c, d]) => [
        [a, b],
        [c, d],
      ]),
      force: [v.x, v.y, v.z],
      at: [v.atX, v.atY, v.atZ],
    }),
    results: [
      { key: 'peak', label: 'Most on a length', kind: 'rate', lead: true },
      { key: 'at', label: 'It is there, across and up', kind: 'place' },
      { key: 'length', label: 'Seams, long', kind: 'length' },
      { key: 'centroid', label: 'Their middle, across and up', kind: 'place' },
    ],
  },
  {
    name: 'fillet',
    slug: 'fillet',
    title: 'Leg of a fillet',
    about: 'How large a fillet takes a load, and how large it may be',
    bench: 'hold',
    said: 'weld size leg throat minimum maximum',
    fields: [{ key: 'peak', label: 'Asked of a length', kind: 'rate', start: 400 }, filler, ...thin],
    request: (v) => ({ peak: v.peak, electrode: last(v.electrode), thinner: v.thinner, thicker: v.thicker }),
    results: [
      { key: 'leg', label: 'Leg', kind: 'length', lead: true },
      { key: 'smallest', label: 'At least, by thickness', kind: 'length' },
      { key: 'largest', label: 'At most along an edge', kind: 'length' },
      { key: 'allowable', label: 'May be used on the throat', kind: 'stress' },
    ],
  },
  {
    name: 'weld.stitch',
    slug: 'stitches',
    title: 'Stitches',
    about: 'The shortest welds, and how far apart, that take a load along a joint',
    bench: 'hold',
    said: 'stitch weld skip intermittent pitch how much weld',
    fields: [{ key: 'load', label: 'Asked of a length', kind: 'rate', start: 50 }, L('leg', 'Leg', 4), filler, ...thin, sheet],
    request: (v) => ({
      load: v.load,
      leg: v.leg,
      electrode: last(v.electrode),
      thinner: v.thinner,
      thicker: v.thicker,
      tensile: last(v.metal),
      yield: yieldOf(v.metal),
    }),
    results: [
      { key: 'pattern', label: 'Weld it', kind: 'text', lead: true },
      { key: 'length', label: 'Each, long', kind: 'length', lead: true },
      { key: 'pitch', label: 'Middle to middle', kind: 'length', lead: true },
      { key: 'share', label: 'Used', kind: 'share', lead: true },
    ],
  },
  {
    name: 'weld.sheet',
    slug: 'sheet-fillet',
    title: 'Fillet on sheet',
    about: 'What a fillet on thin steel sheet takes before the sheet tears',
    bench: 'hold',
    said: 'weld thin sheet strength cold formed',
    fields: [
      L('thickness', 'Sheet, thick', 2),
      L('length', 'Fillet, long', 60),
      {
        key: 'across',
        label: 'The load runs',
        kind: 'choice',
        start: 'along',
        choices: () => [
          { value: 'along', text: 'along it' },
          { value: 'across', text: 'across it' },
        ],
      },
      { ...sheet, label: 'The sheet is of' },
      filler,
    ],
    request: (v) => ({
      thickness: v.thickness,
      length: v.length,
      across: v.across === 'across',
      tensile: last(v.metal),
      electrode: last(v.electrode),
    }),
    results: [
      { key: 'allowable', label: 'May be used', kind: 'force', lead: true },
      { key: 'nominal', label: 'Breaks at', kind: 'force' },
    ],
  },
  {
    name: 'weld.gap',
    slug: 'weld-gap',
    title: 'Gap at a weld',
    about: 'What closes a gap: a larger leg, another fit, a strip',
    bench: 'make',
    said: 'weld fit up gap filler rod wire size bridge',
    fields: [L('gap', 'Gap, at its widest', 2.5), L('leg', 'Leg without it', 5), L('thinner', 'Thinner part', 8)],
    results: [
      { key: 'way', label: 'It takes', kind: 'text', lead: true },
      { key: 'leg', label: 'Leg to lay', kind: 'length', lead: true },
      { key: 'most', label: 'As it is up to', kind: 'fine' },
      { key: 'bridged', label: 'With a larger leg up to', kind: 'fine' },
      { key: 'rod', label: 'Rod', kind: 'fine' },
      { key: 'wire', label: 'Wire', kind: 'fine' },
    ],
  },
  {
    name: 'weld.groove',
    slug: 'passes',
    title: 'Passes',
    about: 'How many passes fill prepared edges, and what weld metal goes in',
    bench: 'make',
    said: 'weld bevel groove vee passes wire rod weight penetration throat',
    fields: [
      { key: 'edges', label: 'The edges are', kind: 'choice', start: 'vee', choices: () => wordsOf('GrooveInput', 'edges') },
      L('thickness', 'Thick', 10, { when: butt }),
      {
        key: 'angle',
        label: 'Angle',
        kind: 'angle',
        start: 60,
        note: 'of a vee between its faces, of a bevel from square',
        when: leans,
      },
      L('land', 'Land left at the root', 2, { when: leans }),
      L('root', 'Gap at the root', 2, { when: butt }),
      L('leg', 'Leg', 6, { when: (v) => !butt(v) }),
      {
        key: 'backed',
        label: 'From the back it is',
        kind: 'choice',
        start: 'not welded',
        when: butt,
        choices: () => [
          { value: 'not welded', text: 'not welded' },
          { value: 'backed', text: 'backed, or gouged and welded' },
        ],
      },
      L('length', 'Seam, long', 400),
      { key: 'pass', label: 'A pass lays', kind: 'section', start: 25, note: 'thin wire less, thick rods more' },
    ],
    request: (v) => ({
      edges: v.edges,
      length: v.length,
      pass: v.pass,
      ...(butt(v) ? { thickness: v.thickness, root: v.root, backed: v.backed === 'backed' } : { leg: v.leg }),
      ...(leans(v) ? { angle: v.angle, land: v.land } : {}),
    }),
    results: [
      { key: 'passes', label: 'Passes', kind: 'number', lead: true },
      { key: 'throat', label: 'Throat that counts', kind: 'fine', lead: true },
      { key: 'mass', label: 'Weld metal', kind: 'mass' },
      { key: 'area', label: 'To be filled', kind: 'section' },
    ],
  },
  {
    name: 'heat',
    slug: 'heat',
    title: 'Heat of a run',
    about: 'What goes into a length of weld',
    bench: 'make',
    said: 'weld heat input amps volts travel kilojoule',
    fields: [
      { key: 'volts', label: 'Volts', kind: 'number', start: 20 },
      { key: 'amps', label: 'Amps', kind: 'number', start: 150 },
      L('speed', 'Laid in a minute', 300),
      { key: 'efficiency', label: 'Share that goes in', kind: 'number', start: 0.8, note: 'wire or rod 0.8, tungsten 0.6' },
    ],
    results: [
      { key: 'net', label: 'Into the work', kind: 'heat', lead: true },
      { key: 'gross', label: 'Of the arc', kind: 'heat' },
    ],
  },
  {
    name: 'weld.bow',
    slug: 'bow',
    title: 'Bow of a seam',
    about: 'How far a weld beside the middle pulls a member crooked',
    bench: 'make',
    said: 'weld distortion warp pull bend draw',
    fields: [
      { key: 'weldArea', label: "Weld's section", kind: 'section', start: 12.5, note: 'half its leg squared' },
      L('distance', 'From the weld to the middle of the section', 30),
      L('length', 'Welded, long', 2000),
      { key: 'inertia', label: 'Second moment of area', kind: 'inertia', start: 400000 },
    ],
    results: [{ key: 'bow', label: 'It bows in the middle', kind: 'fine', lead: true }],
  },
  {
    name: 'weld.rise',
    slug: 'rise',
    title: 'Flange pulled up',
    about: 'How far fillets under a web turn the flange’s edges up',
    bench: 'make',
    said: 'weld distortion angular flange',
    fields: [L('width', 'Flange, wide', 100), L('leg', 'Leg of its fillets', 5), L('thickness', 'Flange, thick', 8)],
    results: [{ key: 'rise', label: 'An edge rises', kind: 'fine', lead: true }],
  },
  {
    name: 'weld.shrink',
    slug: 'draw',
    title: 'Draw of a butt',
    about: 'How far a butt weld pulls its plates together',
    bench: 'make',
    said: 'weld shrink shrinkage transverse gap',
    fields: [
      { key: 'weldArea', label: "Weld's section", kind: 'section', start: 40 },
      L('thickness', 'Plates, thick', 8),
      L('root', 'Gap at the root', 2),
    ],
    results: [{ key: 'across', label: 'It draws', kind: 'fine', lead: true }],
  },
]
