// The quick numbers of tube and section work, and of trailers.
import type { Calculation, Field } from './calculation'

const L = (key: string, label: string, start: number | null, more: Partial<Field> = {}): Field => ({
  key,
  label,
  kind: 'length',
  start,
  ...more,
})
const A = (key: string, label: string, start: number): Field => ({ key, label, kind: 'angle', start })
const rows = (v: unknown) => v as number[][]
const sizes: Record<string, string[]> = {
  rectTube: ['width', 'height', 'wall', 'outerRadius'],
  roundTube: ['diameter', 'wall'],
  roundBar: ['diameter'],
  flatBar: ['width', 'height'],
}

export const memberCalculations: Calculation[] = [
  {
    name: 'section.properties',
    slug: 'properties',
    title: 'Tube and bar',
    about: 'Area, inertia, moduli, torsion and mass of a section',
    fields: [
      {
        key: 'kind',
        label: 'Section',
        kind: 'choice',
        start: 'rectTube',
        choices: [
          { value: 'rectTube', text: 'square or rectangular tube' },
          { value: 'roundTube', text: 'round tube' },
          { value: 'roundBar', text: 'round bar' },
          { value: 'flatBar', text: 'flat or square bar' },
        ],
      },
      L('width', 'Width', 60, { note: 'tube, flat' }),
      L('height', 'Height', 40, { note: 'tube, flat' }),
      L('diameter', 'Diameter', 48.3, { note: 'round ones' }),
      L('wall', 'Wall', 3, { note: 'tubes' }),
      L('outerRadius', 'Outside corner radius', 6, { note: 'square and rectangular tube' }),
    ],
    request: (v) => ({
      kind: v.kind,
      ...Object.fromEntries((sizes[String(v.kind)] ?? []).map((k) => [k, v[k]])),
    }),
    results: [
      { key: 'massPerMetre', label: 'Mass, kg a metre (steel)', kind: 'number', lead: true },
      { key: 'area', label: 'Area, mm²', kind: 'number' },
      { key: 'ix', label: 'I upright, mm⁴', kind: 'number', lead: true },
      { key: 'iy', label: 'I sideways, mm⁴', kind: 'number' },
      { key: 'sx', label: 'S upright, mm³', kind: 'number' },
      { key: 'sy', label: 'S sideways, mm³', kind: 'number' },
      { key: 'j', label: 'J, torsion, mm⁴', kind: 'number' },
      { key: 'rMin', label: 'Least radius of gyration', kind: 'length' },
      { key: 'insideWidth', label: 'Inside, wide', kind: 'length' },
      { key: 'insideHeight', label: 'Inside, high', kind: 'length' },
    ],
  },
  {
    name: 'member.mitre',
    slug: 'mitre',
    title: 'Mitre',
    about: 'The saw’s angle for both members, also of unequal depth',
    fields: [L('depthA', 'Depth of A', 40), L('depthB', 'Depth of B', 60), A('included', 'Angle between them', 90)],
    results: [
      { key: 'sawA', label: 'Saw for A, 0 is square', kind: 'angle', lead: true },
      { key: 'sawB', label: 'Saw for B, 0 is square', kind: 'angle', lead: true },
      { key: 'cutA', label: 'Cut of A, from its axis', kind: 'angle' },
      { key: 'cutB', label: 'Cut of B, from its axis', kind: 'angle' },
      { key: 'longMinusShortA', label: 'A, long point less short point', kind: 'length' },
      { key: 'longMinusShortB', label: 'B, long point less short point', kind: 'length' },
    ],
  },
  {
    name: 'member.saddle',
    slug: 'saddle',
    title: 'Saddle',
    about: 'Cope of a round tube on a round tube, from the heel round',
    fields: [
      L('branchDiameter', 'Branch', 48.3),
      L('branchWall', 'Its wall', 3.2),
      L('mainDiameter', 'Main tube', 60.3),
      A('angle', 'Angle between the axes', 60),
      L('offset', 'Branch off the main’s axis', 0),
      { key: 'stations', label: 'Stations', kind: 'number', start: 12 },
    ],
    results: [
      { key: 'longShort', label: 'Deepest', kind: 'length', lead: true },
      { key: 'wrap', label: 'Once round', kind: 'length' },
      { key: 'outer', label: 'Depth at each station, outside', kind: 'lengths' },
    ],
  },
  {
    name: 'member.vnotch',
    slug: 'notch',
    title: 'Notch and fold',
    about: 'V-notch of a square tube that closes when folded',
    fields: [
      L('depth', 'Tube in the plane of the fold', 40),
      L('wall', 'Wall', 3),
      A('fold', 'Folded from straight by', 90),
      {
        key: 'hinge',
        label: 'It hinges at the',
        kind: 'choice',
        start: 'inner',
        choices: [
          { value: 'inner', text: 'inner face of the wall that stays' },
          { value: 'outer', text: 'outer face of the wall that stays' },
        ],
      },
    ],
    results: [
      { key: 'width', label: 'Opening at the open face', kind: 'length', lead: true },
      { key: 'height', label: 'Depth of the notch', kind: 'length' },
      { key: 'notchAngle', label: 'Angle of the V', kind: 'angle' },
    ],
  },
  {
    name: 'sticks',
    slug: 'sticks',
    title: 'Sticks',
    about: 'How many sticks the pieces take, and which out of which',
    fields: [
      L('stock', 'Stick', 6000),
      L('kerf', 'Kerf', 2.5),
      {
        key: 'pieces',
        label: 'Piece',
        kind: 'places',
        axes: ['length', 'how many'],
        axisKinds: ['length', 'count'],
        start: [
          [1840, 4],
          [760, 6],
          [420, 8],
        ],
      },
    ],
    request: (v) => ({
      stock: v.stock,
      kerf: v.kerf,
      lastCutNeedsKerf: false,
      pieces: rows(v.pieces).map((r) => ({ length: r[0], quantity: r[1] })),
    }),
    results: [
      { key: 'sticks', label: 'Sticks', kind: 'number', lead: true },
      { key: 'lowerBound', label: 'No plan needs fewer than', kind: 'number' },
      { key: 'layout', label: 'Each stick', kind: 'lengths' },
      { key: 'waste', label: 'Left of each', kind: 'lengths' },
    ],
  },
  {
    name: 'column',
    slug: 'column',
    title: 'Column',
    about: 'When a strut or leg buckles',
    fields: [
      L('length', 'Length', 1800),
      {
        key: 'k',
        label: 'Effective length factor',
        letter: 'K',
        kind: 'number',
        start: 1,
        note: 'pinned both ends 1, built in below and free above 2',
      },
      L('radiusOfGyration', 'Least radius of gyration', 15),
      { key: 'area', label: 'Area, mm²', kind: 'number', start: 541 },
      { key: 'yield', label: 'Yield strength, MPa', kind: 'number', start: 235 },
      { key: 'modulus', label: 'Modulus, MPa', kind: 'number', start: 210000 },
    ],
    results: [
      { key: 'criticalLoad', label: 'Buckles at', kind: 'force', lead: true },
      { key: 'criticalStress', label: 'Stress then, MPa', kind: 'number' },
      { key: 'slenderness', label: 'Slenderness', kind: 'number' },
      { key: 'mode', label: 'By', kind: 'text' },
    ],
  },
  {
    name: 'trailer',
    slug: 'trailer',
    title: 'Trailer',
    about: 'Axle and nose load from masses and their places',
    fields: [
      {
        key: 'items',
        label: 'Mass',
        kind: 'places',
        axes: ['kg', 'behind the coupling'],
        axisKinds: ['number', 'length'],
        start: [
          [300, 2400],
          [500, 2600],
        ],
      },
      { key: 'axles', label: 'Axle', kind: 'places', axes: ['behind the coupling'], start: [[2700]] },
    ],
    request: (v) => ({ items: rows(v.items).map((r) => ({ mass: r[0], x: r[1] })), axles: rows(v.axles).flat() }),
    results: [
      { key: 'noseLoad', label: 'Nose load, kg', kind: 'number', lead: true },
      { key: 'nosePercent', label: 'of the total, %', kind: 'number', lead: true },
      { key: 'axleLoad', label: 'On the axles, kg', kind: 'number' },
      { key: 'total', label: 'Total, kg', kind: 'number' },
      { key: 'centreOfGravity', label: 'Centre of gravity behind the coupling', kind: 'length' },
    ],
  },
  {
    name: 'trailer.tow',
    slug: 'tow',
    title: 'On tow',
    about: 'How far a trailer turns before it touches, and what packs it level',
    fields: [
      L('overhang', 'Ball to the vehicle’s rear corner, forward', 600),
      L('vehicleWide', 'Vehicle wide, behind', 1800),
      L('drawbar', 'Ball to the trailer’s front', 1600),
      L('drawbarWide', 'Drawbar wide at the front', 900),
      L('frontWide', 'Trailer’s front wide', 1500),
      L('ballHigh', 'Ball over the ground, laden', 420),
      L('couplingLevel', 'Coupling over the ground when level', 465),
      L('axle', 'Ball to the axle', 3000),
    ],
    request: (v) => v,
    results: [
      { key: 'turn', label: 'Turns either way', kind: 'angle', lead: true },
      { key: 'touches', label: 'then touches the', kind: 'text' },
      { key: 'packing', label: 'Raise it on its axle by (lower it when negative)', kind: 'length', lead: true },
      { key: 'noseDown', label: 'Else it stands nose down', kind: 'angle' },
    ],
  },
]
