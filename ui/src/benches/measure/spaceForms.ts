import type { Space } from '@/api/client'

export const kinds = [
  { value: 'fixed' as const, text: 'something fixed' },
  { value: 'moving' as const, text: 'a door, lid, lever, slide' },
  { value: 'tyre' as const, text: 'a tyre' },
  { value: 'hot' as const, text: 'something hot' },
  { value: 'line' as const, text: 'a line behind a wall' },
  { value: 'tank' as const, text: 'a tank behind a wall' },
  { value: 'skin' as const, text: 'a visible skin' },
  { value: 'loadEdge' as const, text: 'a load-bearing edge' },
  { value: 'view' as const, text: 'a lamp, plate or view' },
  { value: 'opening' as const, text: 'an opening for air' },
  { value: 'room' as const, text: 'room to keep' },
]

type Field = { path: string; label: string; kind?: 'angle' }
const place = (key: string, what: string): Field[] => [
  { path: `/${key}/0`, label: `${what}, forward` },
  { path: `/${key}/1`, label: `${what}, left` },
  { path: `/${key}/2`, label: `${what}, up` },
]
const box: Field[] = [
  ...place('at', 'Rear right lower corner'),
  { path: '/size/0', label: 'Length' },
  { path: '/size/1', label: 'Width' },
  { path: '/size/2', label: 'Height' },
  { path: '/yaw', label: 'Turned to the left', kind: 'angle' },
]

/** The numbers each form takes. */
export const forms: { value: Space['shape']['form']; text: string; fields: Field[]; moves?: boolean }[] = [
  { value: 'box', text: 'box', fields: box },
  {
    value: 'cylinder',
    text: 'cylinder',
    fields: [...place('at', 'One end'), ...place('to', 'Other end'), { path: '/radius', label: 'Radius' }],
  },
  { value: 'ball', text: 'ball', fields: [...place('at', 'Middle'), { path: '/radius', label: 'Radius' }] },
  { value: 'run', text: 'line or pipe', fields: [{ path: '/radius', label: 'Radius' }] },
  { value: 'prism', text: 'outline, extruded', fields: [...place('at', 'Origin'), { path: '/height', label: 'Height' }] },
  {
    value: 'swing',
    text: 'swinging leaf',
    moves: true,
    fields: [
      ...place('at', 'Hinge'),
      { path: '/radius', label: 'Reach from the hinge' },
      { path: '/inner', label: 'Begins at, from the hinge' },
      { path: '/low', label: 'Along the hinge, from' },
      { path: '/high', label: 'Along the hinge, to' },
      { path: '/thick', label: 'Thickness' },
      { path: '/turn', label: 'Opens by', kind: 'angle' },
    ],
  },
  {
    value: 'travel',
    text: 'box that travels',
    moves: true,
    fields: [...box, ...place('travel', 'Travels')],
  },
  {
    value: 'tyre',
    text: 'tyre',
    moves: true,
    fields: [
      ...place('at', 'Middle'),
      { path: '/radius', label: 'Radius' },
      { path: '/size/1', label: 'Width' },
      { path: '/lock', label: 'Lock either way', kind: 'angle' },
      { path: '/bump', label: 'Bump, up' },
      { path: '/droop', label: 'Droop, down' },
    ],
  },
]

export const ways = [
  { value: '1,0,0', text: 'forward' },
  { value: '-1,0,0', text: 'rearward' },
  { value: '0,1,0', text: 'to the left' },
  { value: '0,-1,0', text: 'to the right' },
  { value: '0,0,1', text: 'up' },
  { value: '0,0,-1', text: 'down' },
]

export const states = [
  { value: 'stowed' as const, text: 'stowed' },
  { value: 'inUse' as const, text: 'in use' },
  { value: 'travelling' as const, text: 'travelling' },
]

/** A new shape of a form, ready to be typed over. */
export function blankShape(form: Space['shape']['form']): Space['shape'] {
  const base = { form, at: [0, 0, 0] }
  switch (form) {
    case 'box':
    case 'travel':
      return { ...base, size: [200, 200, 200], ...(form === 'travel' ? { travel: [200, 0, 0] } : {}) }
    case 'cylinder':
      return { ...base, to: [300, 0, 0], radius: 50 }
    case 'ball':
      return { ...base, radius: 50 }
    case 'run':
      return {
        ...base,
        radius: 5,
        corners: [
          [0, 0, 0],
          [500, 0, 0],
        ],
      }
    case 'prism':
      return {
        ...base,
        height: 100,
        outline: [
          { x: 0, y: 0 },
          { x: 200, y: 0 },
          { x: 0, y: 150 },
        ],
      }
    case 'swing':
      return { ...base, axis: [0, 0, 1], start: [-1, 0, 0], radius: 500, low: 0, high: 400, thick: 20, turn: 90 }
    case 'tyre':
      return { ...base, radius: 350, size: [0, 205, 0], bump: 60, droop: 60 }
  }
}
