/** A demand or capacity in words: forces in kN from 1 kN on, moments in N·m. */
export function demandText(v: number, unit: string): string {
  if (unit === 'N') return v >= 1000 ? `${(v / 1000).toFixed(v < 10_000 ? 2 : 1)} kN` : `${v.toFixed(0)} N`
  if (unit === 'N·mm') return `${(v / 1000).toFixed(v < 100_000 ? 1 : 0)} N·m`
  if (unit === '') return `${(100 * v).toFixed(0)} % used`
  return `${v.toFixed(v < 10 ? 1 : 0)} ${unit}`
}
