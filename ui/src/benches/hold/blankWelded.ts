import type { HoldingView, PartHead, SeamPlan, WeldedJoint } from '@/api/client'
import { newId } from '@/api/ids'

/** A welded joint to start from: a part's first edge, as a fillet on something nobody named yet. */
export function blankWelded(id: string, part: PartHead | undefined, edges: HoldingView['edges'], inch: boolean): WeldedJoint {
  return {
    id,
    name: part ? `${part.name}, welded` : 'Welded joint',
    sides: [part ? { kind: 'part', of: part.id } : {}, {}],
    seams: [
      blankSeam(
        1,
        edges.find((e) => e.part === part?.id),
        inch,
      ),
    ],
  }
}

/** The next seam of a joint: along an edge where there is one. */
export const blankSeam = (number: number, edge: HoldingView['edges'][number] | undefined, inch: boolean): SeamPlan => ({
  id: newId(),
  name: `Seam ${number}`,
  form: 'fillet',
  leg: inch ? 3.175 : 3,
  ...(edge ? { panel: edge.panel, edge: edge.edge } : {}),
})
