import type { Device, HoldingView, Mount, PartHead } from '@/api/client'
import { shopOf } from '@/api/words'

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
    feet: device?.feet?.length ? [device.feet[0]!.id!] : undefined,
    hold: {
      ...shopOf(inch).hold,
      fasten: own[0] ? [own[0].id] : [],
      carry: own.length > 1 ? [own[own.length - 1]!.id] : [],
    },
  }
}
