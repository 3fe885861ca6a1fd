// The quick number of bent bar and tube.
import type { Calculation } from './calculation'

const rows = (v: unknown) => v as number[][]

export const bentCalculation: Calculation = {
  name: 'member.bend',
  slug: 'bent',
  title: 'Bent bar or tube',
  paper: { text: 'Bending sheet, PDF', path: '/api/v1/bending-sheet' },
  about: 'Cut length, where each bend begins, how far to bend',
  bench: 'shape',
  said: 'pipe bender start of bend rotation marks',
  fields: [
    { key: 'outside', label: 'Outside size', kind: 'length', start: 25 },
    { key: 'wall', label: 'Wall, 0 for solid', kind: 'length', start: 2 },
    {
      key: 'legs',
      label: 'Leg',
      kind: 'places',
      axes: ['to the corner'],
      start: [[300], [400], [250]],
    },
    {
      key: 'bends',
      label: 'Bend',
      kind: 'places',
      axes: ['radius', 'angle', 'turned'],
      axisKinds: ['length', 'number', 'number'],
      start: [
        [75, 90, 0],
        [75, 45, 90],
      ],
    },
    { key: 'bent', label: 'A trial bend, under the tool', kind: 'angle', start: 93 },
    { key: 'stayed', label: 'stayed at', kind: 'angle', start: 90 },
  ],
  request: (v) => ({
    outside: v.outside,
    ...(v.wall ? { wall: v.wall } : {}),
    legs: rows(v.legs).flat(),
    bends: rows(v.bends).map((r) => ({ radius: r[0], angle: r[1], rotation: r[2] })),
    strip: { bent: v.bent, stayed: v.stayed },
  }),
  results: [
    { key: 'developed', label: 'Cut', kind: 'length', lead: true },
    { key: 'marks/0/start', label: 'First bend begins at', kind: 'length', lead: true },
    { key: 'marks/0/aim', label: 'bend it to', kind: 'angle' },
    { key: 'marks/1/start', label: 'Second begins at', kind: 'length' },
    { key: 'marks/1/aim', label: 'bend it to', kind: 'angle' },
  ],
}
