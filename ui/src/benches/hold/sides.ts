// What a ply of a joint belongs to and where a joint stands, as choices.
import type { BoltedJoint, HoldingView } from '@/api/client'

export type Side = HoldingView['sides'][number]['side']
export type Stand = NonNullable<BoltedJoint['stands']>[number]

export const sideKey = (s: Side | undefined) => (s?.kind ? [s.kind, s.of ?? '', s.member ?? ''].join(' ') : '')
export const standKey = (s: Stand) =>
  s.placed ? `placed ${s.placed}` : s.foot ? `foot ${s.foot}` : s.point ? `point ${s.point}` : ''

/** The ply's material and thickness come from what it belongs to. */
export const given = (s: Side | undefined) => s?.kind === 'part' || s?.kind === 'member'
