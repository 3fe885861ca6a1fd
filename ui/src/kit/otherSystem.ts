// One value in the system the job does not write: inches where it says millimetres, pounds
// where it says kilograms.
import { isAmount, type Kind, type Style, write, writeAmount } from './readLength'

const units: Partial<Record<Kind, [metric: string, inch: string]>> = {
  length: ['mm', 'in'],
  hole: ['mm', 'in'],
  force: ['N', 'lbf'],
  mass: ['kg', 'lb'],
  moment: ['N·m', 'lbf·ft'],
  area: ['m²', 'ft²'],
  speed: ['m/s', 'mph'],
  stress: ['MPa', 'ksi'],
  rate: ['N/mm', 'lbf/in'],
  linear: ['kg/m', 'lb/ft'],
  section: ['mm²', 'in²'],
  modulus: ['mm³', 'in³'],
  heat: ['kJ/mm', 'kJ/in'],
  inertia: ['mm⁴', 'in⁴'],
}

/** The other system's unit of a kind; none of what both write alike. */
export const otherUnit = (kind: Kind, style: Style) => units[kind]?.[style.unit === 'mm' ? 1 : 0]

/** A value as the other system writes it. */
export async function inOther(value: number, kind: Kind, style: Style): Promise<string> {
  if (isAmount(kind)) return writeAmount(value, kind, { unit: style.unit === 'mm' ? 'decimal' : 'mm', grain: 1 }, undefined, true)
  if (style.unit !== 'mm') return (await write(value, { unit: 'mm', grain: 0.1 })).fine
  const w = await write(value, { unit: 'fraction', grain: 25.4 / 32 })
  return `${w.fine}, ${w.text}${w.off ? ` ${w.lies} ${w.off}` : ''}`
}
