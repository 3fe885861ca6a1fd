import type { BoltedJoint, HoldingView, PartHead } from '@/api/client'

/** A joint to start from: a part's first holes, bolted to something of 5 mm. */
export function blankJoint(
  id: string,
  part: PartHead | undefined,
  features: HoldingView['features'],
  inch: boolean,
): BoltedJoint {
  const first = features.find((f) => f.part === part?.id)
  return {
    id,
    name: part ? `${part.name}, bolted` : 'Joint',
    part: part && first ? part.id : undefined,
    features: first ? [first.id] : undefined,
    sides: [part ? { kind: 'part', of: part.id } : {}, { kind: 'vehicle' }],
    design: {
      system: inch ? 'inch' : 'metric',
      size: inch ? '3/8' : 'M10',
      grade: inch ? 'SAE 5' : '8.8',
      holes: [[0, 0]],
      plies: [
        { name: part?.name ?? '', material: 'steel-s235', thickness: 3 },
        { name: 'vehicle', material: 'steel-unknown', thickness: 5, guessed: true },
      ],
      nut: 'lock',
      washers: 2,
      tighten: { lubrication: 'oiled', locking: 'plastic', shakes: true },
      cases: [],
    },
  }
}
