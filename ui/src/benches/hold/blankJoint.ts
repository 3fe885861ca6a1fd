import type { BoltedJoint, HoldingView, PartHead } from '@/api/client'
import { newId } from '@/api/ids'
import { shopOf } from '@/api/words'

/** A joint to start from: a part's first holes, bolted to something nobody measured. */
export function blankJoint(
  id: string,
  part: PartHead | undefined,
  features: HoldingView['features'],
  inch: boolean,
): BoltedJoint {
  const ids = [newId(), newId()]
  const start = shopOf(inch).joint
  const first = features.find((f) => f.part === part?.id)
  return {
    id,
    name: part ? `${part.name}, bolted` : 'Joint',
    part: part && first ? part.id : undefined,
    features: first ? [first.id] : undefined,
    sides: [
      { ...(part ? { kind: 'part' as const, of: part.id } : {}), id: ids[0] },
      { kind: 'vehicle', id: ids[1] },
    ],
    design: {
      ...start,
      plies: start.plies?.map((p, i) => ({ ...p, id: ids[i], ...(i || !part ? {} : { name: part.name }) })),
    },
  }
}
