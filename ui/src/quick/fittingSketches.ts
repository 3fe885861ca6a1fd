// The drawings of what stands in line, in a slot, in a socket or in an opening.
import type { Sketch } from './sketch'

export const fittingSketches: Record<string, Sketch> = {
  centred: {
    d: 'M58 26L128 20L134 116L64 120Z',
    thin: 'M98 6V134M98 30H58M98 30H128M98 110H64M98 110H134M160 26V114M154 26H166M154 114H166',
    letters: [
      ['FL', 64, 44],
      ['FR', 104, 44],
      ['RL', 68, 104],
      ['RR', 106, 104],
      ['a', 170, 74],
    ],
    says: 'Something beside its centre line: left and right at the front and at the rear, a apart',
  },
  flush: {
    d: 'M20 60H96V72H20ZM104 44L180 66V78L104 56Z',
    thin: 'M104 44V60M180 66V60M20 104H180M20 98V110M180 98V110M96 60H190',
    letters: [
      ['p', 106, 38],
      ['q', 184, 84],
      ['a', 96, 122],
    ],
    says: 'Two faces with a step p at one end and q at the other, a apart',
  },
  gap: {
    d: 'M20 40H110V70H20ZM126 24H150V110H126ZM20 92H110V104H20',
    thin: 'M110 55H126M20 124H110M20 118V130M110 118V130',
    letters: [
      ['gap', 84, 30],
      ['L', 60, 140],
    ],
    says: 'A gap that closes when what is beside it, of length L, grows',
  },
  socket: {
    d: 'M20 46H110V34H20ZM20 98H110V86H20ZM34 50H186V82H34ZM66 34V24M60 24H72M66 34V50',
    thin: 'M20 112H110M20 106V118M110 106V118M110 112H180M180 106V118M180 40V46',
    letters: [
      ['e', 60, 130],
      ['x', 142, 130],
      ['d', 76, 28],
      ['p', 6, 52],
    ],
    says: 'A bar that reaches e into a socket with play p a side and is felt at x from its mouth; a draw-up screw of diameter d',
  },
  captive: {
    d: 'M70 10H78V38H94V10H102V4H70ZM70 138H102V124H94V132H78V124H70ZM82 22H90V132H82Z',
    thin: 'M120 38V124M114 38H126M114 124H126M120 10V38M140 22V132M134 22H146M134 132H146M60 10V38M70 72L82 72',
    letters: [
      ['d', 46, 28],
      ['b', 124, 86],
      ['H', 150, 80],
      ['s', 108, 136],
      ['t', 62, 76],
    ],
    says: 'A panel of height H between two channels, the upper one d deep, the lower one s',
  },
  inserts: {
    d: 'M40 30H160V112H40ZM54 40H146V102H54Z',
    thin: 'M60 46H140V96H60ZM54 122H146M54 116V128M146 116V128M170 40V102M164 40H176M164 102H176M146 70H140M160 84H146',
    letters: [
      ['W', 94, 140],
      ['H', 178, 76],
      ['p', 126, 64],
      ['c', 162, 82],
    ],
    says: 'An opening of W by H, an insert in it with play p a side, its face lying over by c',
  },
  index: {
    d: 'M10 46H190V92H10ZM36 69A7 7 0 1 0 36.1 69M86 69A7 7 0 1 0 86.1 69M136 69A7 7 0 1 0 136.1 69M180 69A7 7 0 1 0 180.1 69',
    thin: 'M36 104V116M86 104V116M36 110H86M136 69V46M150 26H182M182 26L174 21M182 26L174 31',
    letters: [
      ['P', 56, 128],
      ['e', 140, 60],
      ['F', 156, 18],
      ['h', 96, 66],
    ],
    says: 'A strip with a row of holes at pitch P, e from its side, pulled by F along the row',
  },
}
