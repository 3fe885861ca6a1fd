// Forces, moments, stresses and masses in the words of the job: pounds in inch jobs.
import { inject, type InjectionKey, provide, watchEffect } from 'vue'
import { speakInches } from '@/api/spoken'
import { percent } from './percent'

const key: InjectionKey<() => boolean> = Symbol('inches')

/** Says for everything below, and to the server, whether the job is in inches. */
export function provideInches(inches: () => boolean) {
  provide(key, inches)
  watchEffect(() => speakInches(inches()))
}

const poundForce = 4.4482216152605 // N
const digits = (v: number) => (Math.abs(v) < 10 ? 1 : 0)

/** Own says it where the component itself provides it. */
export function useAmounts(own?: () => boolean) {
  const inches = own ?? inject(key, () => false)
  const force = (n: number) => {
    if (inches()) return `${(n / poundForce).toFixed(digits(n / poundForce))} lbf`
    return Math.abs(n) >= 1000 ? `${(n / 1000).toFixed(Math.abs(n) < 10_000 ? 2 : 1)} kN` : `${n.toFixed(0)} N`
  }
  const moment = (nmm: number) => {
    const v = inches() ? nmm / (poundForce * 304.8) : nmm / 1000
    return `${v.toFixed(Math.abs(v) < 100 ? 1 : 0)} ${inches() ? 'lbf·ft' : 'N·m'}`
  }
  const mass = (kg: number, places?: number) => {
    const v = inches() ? kg / 0.45359237 : kg
    return `${v.toFixed(places ?? digits(v))} ${inches() ? 'lb' : 'kg'}`
  }
  const stress = (mpa: number) => (inches() ? `${(mpa / 6.894757).toFixed(1)} ksi` : `${mpa.toFixed(digits(mpa))} MPa`)
  const linear = (v: number) => (inches() ? `${((v / 0.45359237) * 0.3048).toFixed(2)} lb/ft` : `${v.toFixed(2)} kg/m`)
  const density = (v: number) => (inches() ? `${(v * 3.612729e-5).toFixed(3)} lb/in³` : `${v} kg/m³`)
  /** A demand or capacity of a check. */
  const demand = (v: number, unit: string) => {
    if (unit === 'N') return force(v)
    if (unit === 'N·mm') return moment(v)
    if (unit === 'MPa') return stress(v)
    if (unit === 'kg') return mass(v)
    if (unit === '') return `${percent(v)} % used`
    if (unit === 'mm' && inches()) return `${(v / 25.4).toFixed(3)} in`
    if (unit === 'N/mm' && inches()) return `${((v / poundForce) * 25.4).toFixed(0)} lbf/in`
    return `${v.toFixed(digits(v))} ${unit}`
  }
  return { inches, force, moment, mass, stress, linear, density, demand }
}
