import type { BoltedJoint } from '@/api/client'

/**
 * The joint with its bolts put in from the other side: its plies the other way
 * round, and loads typed turned over with the ply they act on.
 */
export function flipped(j: BoltedJoint): BoltedJoint {
  const plies = j.design.plies ?? []
  const over = (v: number) => (v === 0 ? 0 : -v)
  return {
    ...j,
    headsBack: !j.headsBack || undefined,
    design: {
      ...j.design,
      plies: [...plies].reverse(),
      reached: j.design.reached && ({ both: 'both', heads: 'nuts', nuts: 'heads' } as const)[j.design.reached],
      cases: j.design.cases?.map((c) => ({
        ...c,
        force: [over(c.force[0]!), over(c.force[1]!), c.force[2]!],
        at: [c.at[0]!, c.at[1]!, over(c.at[2]!)],
        moment: c.moment && [c.moment[0]!, c.moment[1]!, over(c.moment[2]!)],
      })),
    },
  }
}
