import { reactive } from 'vue'

/** How lengths, weights and money are shown. Everything inside is mm, g and minor units. */
export const units = reactive({
  length: 'cm' as 'cm' | 'in',
  mass: 'g' as 'g' | 'oz',
  currency: '',
  hemisphere: 'north' as 'north' | 'south',
  /** IANA name of the house's time zone; '' for that of the machine that serves. */
  zone: '',
  /** Digits of the smaller coin, as the server says. */
  digits: 2,
})

export const mmPerInch = 25.4
export const gPerOunce = 28.349523125

/** mm in one of the units that lengths are shown in. */
export const mmPerUnit = () => (units.length === 'in' ? mmPerInch : 10)
/** g in one of the units that amounts are shown in. */
export const gPerUnit = () => (units.mass === 'oz' ? gPerOunce : 1)

const trim = (v: number, digits: number) => String(Number(v.toFixed(digits)))

/** A length as a kitchen says it: 4.6 cm, 1.8 in. */
export const length = (mm: number) => `${trim(mm / mmPerUnit(), 1)} ${units.length}`

/** Two lengths of one thing: 62 × 40 cm. */
export const across = (a: number, b: number) => {
  const digits = Math.min(a, b) < 100 || units.length === 'in' ? 1 : 0
  return `${trim(a / mmPerUnit(), digits)} × ${trim(b / mmPerUnit(), digits)} ${units.length}`
}

/** How large a board or a bowl is: 62 × 40 cm, and 48 cm across where both sides are the same. */
export const spans = ([a = 0, b = 0]: number[]) =>
  Math.abs(a - b) < 1 ? `${length(a)} across` : across(a, b)

/** An area: 1840 cm², 285 sq in. */
export const area = (cm2: number) =>
  units.length === 'in' ? `${trim(cm2 / 6.4516, 0)} sq in` : `${trim(cm2, 0)} cm²`

/** Grams as a kitchen says them: 46 g, 1.2 kg; 1.6 oz, 2.6 lb. */
export function grams(g: number): string {
  if (units.mass === 'oz') {
    const oz = g / gPerOunce
    if (oz >= 16) return `${(oz / 16).toFixed(1)} lb`
    return `${oz < 10 ? trim(oz, oz < 1 ? 2 : 1) : Math.round(oz)} oz`
  }
  if (g >= 1000) return `${(g / 1000).toFixed(1)} kg`
  return `${g < 10 && g % 1 ? g.toFixed(1) : Math.round(g)} g`
}

/** Digits of the smaller coin. */
export const coinDigits = () => units.digits

/** Minor units as money: 6140 is 61.40, or €61.40. */
export function money(minor: number): string {
  const digits = coinDigits()
  const how = { minimumFractionDigits: digits, maximumFractionDigits: digits }
  const value = minor / 10 ** digits
  if (units.currency) {
    try {
      return value.toLocaleString('en-GB', { ...how, style: 'currency', currency: units.currency })
    } catch {
      // no such currency; bare figures
    }
  }
  return value.toLocaleString('en-GB', how)
}
