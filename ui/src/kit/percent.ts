// How much of what it may carry something is asked for, in the one rounding there is (as
// `strength.Percent` of the server): whole numbers, from a tenth on; where the whole number
// would belong to another verdict it has a decimal, so that what is over never shows 100
// and what holds never shows 85.
const borders = [85, 100] // from where it is tight, and past which it is over

export function percent(utilisation: number | null | undefined): string {
  if (utilisation === null || utilisation === undefined || Number.isNaN(utilisation)) return '?'
  const p = 100 * utilisation
  if (p > 9900) return '> 9900'
  if (p < 9.95) return p.toFixed(1)
  const whole = Math.round(p)
  if (p < borders[0]! && whole >= borders[0]!) return (Math.floor(p * 10) / 10).toFixed(1)
  if (p > borders[1]! && whole <= borders[1]!) return (Math.ceil(p * 10) / 10).toFixed(1)
  return String(whole)
}
