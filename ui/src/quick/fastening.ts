// The quick numbers of what holds things together, and lets it shake.
import { wordsOf } from '@/api/words'
import type { Calculation, Field } from './calculation'
import { thread, threadOf } from './strength'

const rows = (v: unknown) => v as number[][]
const N = (key: string, label: string, start: number | null, more: Partial<Field> = {}): Field => ({
  key,
  label,
  kind: 'number',
  start,
  ...more,
})
const L = (key: string, label: string, start: number | null, more: Partial<Field> = {}): Field => ({
  key,
  label,
  kind: 'length',
  start,
  ...more,
})
const plies: Field = {
  key: 'plies',
  label: 'Plies, head side first, coats counted',
  kind: 'places',
  start: [
    [3, 0],
    [5, 0],
  ],
  axes: ['thickness', 'gives way by'],
}
const stacked = (v: unknown) => rows(v).map(([thickness, squash]) => ({ thickness, squash: squash || undefined }))
/** The strength that stands at the end of a served choice. */
const strength = (v: unknown) => Number(String(v).split(' ').at(-1))

/** A wide plate square to the bolt, 20 mm thick from a height on. */
const slab = (name: string, from: number) => ({ name, low: [-600, -600, from], high: [600, 600, from + 20] })

export const fasteningCalculations: Calculation[] = [
  {
    name: 'grip',
    slug: 'grip',
    title: 'Bolt length',
    about: 'For a stack: length, threads past the nut, thread in the shear planes',
    bench: 'hold',
    said: 'how long a bolt screw length stack',
    fields: [
      thread,
      plies,
      N('washers', 'Washers in all', 2),
      {
        key: 'nut',
        label: 'Into',
        kind: 'choice',
        start: 'hex',
        choices: () => wordsOf('GripInput', 'nut'),
      },
      L('height', 'Height of another nut, or depth of the thread', null, { optional: true }),
    ],
    request: (v) => ({
      ...threadOf(v.thread),
      plies: stacked(v.plies),
      washers: v.washers,
      nut: v.nut,
      height: v.height ?? undefined,
    }),
    results: [
      { key: 'length', label: 'Take a length of', kind: 'length', lead: true },
      { key: 'grip', label: 'Grip', kind: 'length', lead: true },
      { key: 'threads', label: 'Threads past the nut', kind: 'number' },
      { key: 'protrudes', label: 'Stands out by', kind: 'length' },
      { key: 'thread', label: 'Length of its thread', kind: 'length' },
      { key: 'least', label: 'At least', kind: 'length' },
      { key: 'most', label: 'At most', kind: 'length' },
    ],
  },
  {
    name: 'stud',
    slug: 'stud',
    title: 'Stud length',
    about: 'Screwed into a base, through a stack, with a nut on it',
    bench: 'hold',
    said: 'stud threaded rod length how long',
    fields: [
      thread,
      L('engage', 'Screwed into the base', null, { optional: true, note: 'one diameter when left out' }),
      L('depth', 'Depth of the thread there, if it ends', null, { optional: true }),
      plies,
      N('washers', 'Washers under the nut', 1),
      {
        key: 'nut',
        label: 'Nut',
        kind: 'choice',
        start: 'hex',
        choices: () => wordsOf('GripInput', 'nut').filter((w) => w.value !== 'tapped'),
      },
      L('height', 'Height of another nut', null, { optional: true }),
    ],
    request: (v) => ({
      ...threadOf(v.thread),
      engage: v.engage ?? undefined,
      depth: v.depth ?? undefined,
      plies: stacked(v.plies),
      washers: v.washers,
      nut: v.nut,
      height: v.height ?? undefined,
    }),
    results: [
      { key: 'length', label: 'Take a length of', kind: 'length', lead: true },
      { key: 'stands', label: 'Stands out of the base', kind: 'length' },
      { key: 'engaged', label: 'Screwed in', kind: 'length' },
      { key: 'far', label: "Thread at the nut's end", kind: 'length' },
      { key: 'least', label: 'At least', kind: 'length' },
      { key: 'most', label: 'At most', kind: 'length' },
    ],
  },
  {
    name: 'threadengagement',
    slug: 'engagement',
    title: 'Thread engagement',
    about: 'How deep a bolt goes in before it breaks rather than strips',
    bench: 'hold',
    said: 'strip stripping tapped blind hole depth',
    fields: [
      L('diameter', 'Diameter', 10, { letter: 'd' }),
      L('pitch', 'Pitch, thread to thread', 1.5, { letter: 'P', note: 'of inch threads 1/16 and so on' }),
      { key: 'boltTensile', label: 'Bolt', kind: 'strength', start: '8.8 800', of: 'bolts' },
      { key: 'nutTensile', label: 'Screwed into', kind: 'strength', start: 'Structural steel S235JR 360', of: 'threaded' },
    ],
    request: (v) => ({
      diameter: v.diameter,
      pitch: v.pitch,
      boltTensile: strength(v.boltTensile),
      nutTensile: strength(v.nutTensile),
    }),
    results: [
      { key: 'length', label: 'Screw it in at least', kind: 'length', lead: true },
      { key: 'pull', label: 'The bolt breaks at', kind: 'force' },
      { key: 'bolt', label: 'Its own thread needs', kind: 'length' },
      { key: 'nut', label: 'The other thread needs', kind: 'length' },
    ],
  },
  {
    name: 'rivet',
    slug: 'rivet',
    title: 'Blind rivet',
    about: 'Length by its grip, hole, and what one carries',
    bench: 'hold',
    said: 'pop rivet',
    fields: [
      {
        key: 'material',
        label: 'Rivet of',
        kind: 'choice',
        start: 'steel',
        choices: () => wordsOf('RivetInput', 'material'),
      },
      {
        key: 'diameter',
        label: 'Diameter',
        kind: 'rivet',
        start: '4.8',
      },
      { ...plies, start: [[2, 0], [3, 0]] }, // prettier-ignore
      N('shear', 'Shear on one', 400, { kind: 'force' }),
      N('tension', 'Tension on one', 0, { kind: 'force' }),
      N('safety', 'Strength over load', 3),
    ],
    request: (v) => ({
      material: v.material,
      diameter: Number(v.diameter),
      plies: stacked(v.plies),
      shear: v.shear ?? 0,
      tension: v.tension ?? 0,
      safety: v.safety,
    }),
    results: [
      { key: 'length', label: 'Take a length of', kind: 'length', lead: true },
      { key: 'verdict', label: 'It', kind: 'text', lead: true },
      { key: 'hole', label: 'Hole', kind: 'length' },
      { key: 'grip', label: 'Grip', kind: 'length' },
      { key: 'used', label: 'Share of what it may carry', kind: 'number' },
    ],
  },
  {
    name: 'assemble',
    slug: 'assemble',
    title: 'Do holes meet',
    about: 'Two patterns, each as true as it is made: which hole, which slot',
    bench: 'hold',
    said: 'line up match mate slot',
    fields: [
      thread,
      {
        key: 'holes',
        label: 'Holes as drawn',
        kind: 'places',
        start: [
          [0, 0],
          [200, 0],
          [200, 80],
          [0, 80],
        ],
        axes: ['across', 'up'],
      },
      ...(['a', 'b'] as const).flatMap((k): Field[] => [
        {
          key: `${k}Placed`,
          label: k === 'a' ? 'Holes of the one are' : 'Holes of the other are',
          kind: 'choice',
          start: k === 'a' ? 'table' : 'tape',
          choices: () => [
            ...wordsOf('HoleAssembleSide', 'placed').filter((w) => w.value !== 'typed'),
            { value: 'fixed', text: 'weld nuts or threads, set by tape' },
          ],
        },
        L(`${k}Hole`, 'its hole', null, { optional: true, note: 'empty when it is asked for' }),
      ]),
      { key: 'angle', label: 'Turned about the first hole by up to', kind: 'angle', start: 0 },
    ],
    request: (v) => ({
      system: threadOf(v.thread).system,
      size: threadOf(v.thread).size,
      holes: v.holes,
      angle: v.angle ?? 0,
      sides: (['a', 'b'] as const).map((k) => ({
        name: k === 'a' ? 'the one' : 'the other',
        placed: v[`${k}Placed`] === 'fixed' ? 'tape' : v[`${k}Placed`],
        fixed: v[`${k}Placed`] === 'fixed' || undefined,
        hole: v[`${k}Hole`] ?? undefined,
      })),
    }),
    results: [
      { key: 'meets', label: 'They meet', kind: 'text', lead: true },
      { key: 'class', label: 'Holes that always meet', kind: 'text', lead: true },
      { key: 'usual', label: 'Holes that mostly meet', kind: 'text' },
      { key: 'worst', label: 'Off at most, by hole', kind: 'lengths' },
      { key: 'likely', label: 'Off usually, by hole', kind: 'lengths' },
      { key: 'round', label: 'Opened round until they meet', kind: 'length' },
      { key: 'order', label: 'Else', kind: 'text' },
    ],
  },
  {
    name: 'access',
    slug: 'reach',
    title: 'Will a tool reach',
    about: 'A bolt beside a wall, under a shelf, over a beam: does it go in, what turns it',
    bench: 'hold',
    said: 'wrench room socket spanner access',
    fields: [
      thread,
      {
        key: 'head',
        label: 'Head',
        kind: 'choice',
        start: 'hex',
        choices: () => wordsOf('HoleAccessInput', 'head'),
      },
      {
        key: 'nut',
        label: 'Into',
        kind: 'choice',
        start: 'free',
        choices: () => [
          { value: 'free', text: 'a nut that is held' },
          { value: 'captive', text: 'a captive nut or a thread' },
        ],
      },
      L('grip', 'From the face of the head to that of the nut', 8),
      L('length', 'Length of the bolt', 25),
      L('wall', 'Bolt to a wall beside it', 18, { optional: true, note: 'empty where none is' }),
      L('tall', 'That wall stands up by', null, { optional: true, note: 'empty: as high as anything' }),
      L('above', 'Free over the face of the head', null, { optional: true, note: 'empty where nothing is' }),
      L('below', 'Free past the face of the nut', null, { optional: true, note: 'empty where nothing is' }),
    ],
    request: (v) => ({
      system: threadOf(v.thread).system,
      size: threadOf(v.thread).size,
      at: [0, 0, 0],
      axis: [0, 0, 1],
      grip: v.grip,
      length: v.length,
      head: v.head,
      captive: v.nut === 'captive' || undefined,
      obstacles: [
        ...(v.wall == null
          ? []
          : [
              {
                name: 'the wall',
                low: [v.wall as number, -600, 0],
                high: [(v.wall as number) + 20, 600, (v.tall as number) ?? 600],
              },
            ]),
        ...(v.above == null ? [] : [slab('what is over it', v.above as number)]),
        ...(v.below == null ? [] : [slab('what is past the nut', -(v.grip as number) - (v.below as number) - 20)]),
      ],
    }),
    results: [
      { key: 'reach', label: 'It is', kind: 'text', lead: true },
      { key: 'how', label: 'How', kind: 'text' },
    ],
  },
  {
    name: 'isolator',
    slug: 'isolator',
    title: 'Isolators',
    about: 'How far it sinks, shakes, and where it must be stopped',
    bench: 'hold',
    said: 'rubber mount vibration resonance shock',
    fields: [
      N('mass', 'Mass on them', 48, { kind: 'mass' }),
      N('count', 'How many', 4),
      N('stiffness', 'Stiffness of one', 60, { kind: 'rate', letter: 'k' }),
      L('height', 'Height of the rubber, free', 30),
      N('shakes', 'Shaking to keep away, Hz', 50, { optional: true, note: 'turns a minute over 60' }),
      N('down', 'Road case down, g', 2),
      N('up', 'Road case up, g', 0.5),
      L('pressed', 'Pressed together by tightening', 0),
    ],
    results: [
      { key: 'static', label: 'Sinks', kind: 'length', lead: true },
      { key: 'frequency', label: 'Shakes by itself at, Hz', kind: 'number', lead: true },
      { key: 'passes', label: 'Share of the shaking that gets through', kind: 'number' },
      { key: 'sleeve', label: 'Sleeve for its bolt', kind: 'length' },
      { key: 'loaded', label: 'Height at rest', kind: 'length' },
      { key: 'lowest', label: 'Down from rest in the road case', kind: 'length' },
      { key: 'highest', label: 'Up from rest in the road case', kind: 'length' },
      { key: 'snub', label: 'Stop below rest', kind: 'length' },
    ],
  },
]
