import type { Coupon } from '@/api/client'

/** What is measured of a bent strip. */
export const couponFields: { key: keyof Coupon; label: string; kind: 'length' | 'angle'; may?: boolean }[] = [
  { key: 'flat', label: 'Flat', kind: 'length' },
  { key: 'legA', label: 'Leg a, outside', kind: 'length' },
  { key: 'legB', label: 'Leg b, outside', kind: 'length' },
  { key: 'angle', label: 'Angle', kind: 'angle' },
  { key: 'thickness', label: 'Thickness', kind: 'length' },
  { key: 'insideRadius', label: 'Inside R', kind: 'length' },
  { key: 'bentTo', label: 'On the tool, if read', kind: 'angle', may: true },
]
