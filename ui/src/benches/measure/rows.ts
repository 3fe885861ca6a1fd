/** Tables of readings that each come to one line. */
type Field = { key: string; label: string; kind: 'length' | 'angle'; plain?: boolean }
export type RowKind = {
  list: 'slopes' | 'squares' | 'sides' | 'centres' | 'flushes' | 'gaps' | 'measures'
  title: string
  add: string
  about: string
  fields: Field[]
}
export const rows: RowKind[] = [
  {
    list: 'slopes',
    title: 'Angles',
    add: 'Add an angle',
    about: 'Up towards the end you face is positive, both times with the gauge the same way round.',
    fields: [
      { key: 'reading', label: 'On the face', kind: 'angle' },
      { key: 'own', label: "On the vehicle's own level face", kind: 'angle' },
      { key: 'wanted', label: 'Wanted to the vehicle', kind: 'angle', plain: true },
    ],
  },
  {
    list: 'squares',
    title: 'Square',
    add: 'Add a frame',
    about: 'Two sides and both diagonals of anything that should be square.',
    fields: [
      { key: 'length', label: 'Length', kind: 'length' },
      { key: 'width', label: 'Width', kind: 'length' },
      { key: 'first', label: 'Front left to rear right', kind: 'length' },
      { key: 'second', label: 'Front right to rear left', kind: 'length' },
    ],
  },
  {
    list: 'sides',
    title: 'Left and right',
    add: 'Add a size of both sides',
    about: 'One side measured and the other assumed is how parts do not fit.',
    fields: [
      { key: 'left', label: 'Left', kind: 'length' },
      { key: 'right', label: 'Right', kind: 'length' },
      { key: 'allow', label: 'May differ by', kind: 'length', plain: true },
    ],
  },
  {
    list: 'centres',
    title: 'On the centre line',
    add: 'Add what must stand on it',
    about: 'From the centre line to its left and right side, at both ends. What stands off and what is turned are told apart.',
    fields: [
      { key: 'frontLeft', label: 'Left, front end', kind: 'length' },
      { key: 'frontRight', label: 'Right, front end', kind: 'length' },
      { key: 'rearLeft', label: 'Left, rear end', kind: 'length' },
      { key: 'rearRight', label: 'Right, rear end', kind: 'length' },
      { key: 'apart', label: 'Between the ends', kind: 'length' },
      { key: 'halfFront', label: 'Half width wanted, front', kind: 'length', plain: true },
      { key: 'halfRear', label: 'Half width wanted, rear', kind: 'length', plain: true },
      { key: 'allow', label: 'May be off by', kind: 'length', plain: true },
    ],
  },
  {
    list: 'flushes',
    title: 'Flush',
    add: 'Add two faces',
    about: 'How far one face stands proud of the other; back is negative. Both ends, and halfway where it may bow.',
    fields: [
      { key: 'one', label: 'Proud at one end', kind: 'length' },
      { key: 'other', label: 'Proud at the other', kind: 'length' },
      { key: 'middle', label: 'Halfway', kind: 'length' },
      { key: 'wanted', label: 'Wanted', kind: 'length', plain: true },
      { key: 'allow', label: 'May be off by', kind: 'length', plain: true },
    ],
  },
  {
    list: 'gaps',
    title: 'Gaps, loaded',
    add: 'Add a gap',
    about: 'Springs and panels give: measure it with and without the load.',
    fields: [
      { key: 'unloaded', label: 'Unloaded', kind: 'length' },
      { key: 'loaded', label: 'Loaded', kind: 'length' },
      { key: 'need', label: 'Must stay', kind: 'length', plain: true },
      { key: 'grows', label: 'Closes besides: heat, coats, wear', kind: 'length', plain: true },
    ],
  },
  {
    list: 'measures',
    title: 'Headroom, reach, steps',
    add: 'Add one between two points',
    about: 'Between two surveyed points, against a target of the brief in mm.',
    fields: [],
  },
]
