import type { Device, HoldingView, Mount, PartHead } from '@/api/client'

/** A mount to start from: the part's first holes fasten, the last ones carry. */
export function blankMount(
  id: string,
  part: PartHead | undefined,
  device: Device | undefined,
  features: HoldingView['features'],
  inch: boolean,
): Mount {
  const own = features.filter((f) => f.part === part?.id)
  return {
    id,
    name: part?.name ?? '',
    part: part?.id ?? '',
    device: device?.id,
    feet: device?.feet?.length ? [0] : undefined,
    hold: {
      fasten: own[0] ? [own[0].id] : [],
      carry: own.length > 1 ? [own[own.length - 1]!.id] : [],
      against: 'back',
      backed: true,
      up: '+z',
      forward: '+x',
      bolts: inch
        ? { system: 'inch', size: '3/8', pitch: 16, grade: 'SAE 5', threadsInPlane: true, washer: 25.4 }
        : { system: 'metric', size: 'M10', pitch: 1.5, grade: '8.8', threadsInPlane: true, washer: 20 },
      inPlane: 'elastic',
      outPlane: 'centroid',
    },
  }
}
