export interface Units {
  readonly length: 'm' | 'ft'
}

/** Between figure and unit; never broken over a line. The typefaces have no thin space of their own. */
export const SPACE = '\u00A0'
const METRES_PER_FOOT = 0.3048

/** A number with at most `digits` decimals, trailing zeros dropped, with a true minus. */
export function figure(value: number, digits = 1): string {
  const rounded = Number(value.toFixed(digits))
  return `${rounded < 0 ? '\u2212' : ''}${Math.abs(rounded)}`
}

export function lengthText(m: number, units: Units): string {
  return units.length === 'ft' ? `${figure(m / METRES_PER_FOOT, 0)}${SPACE}ft` : `${figure(m)}${SPACE}m`
}

/** "2.97 Gb/s", "270 Mb/s". */
export function dataRateText(bitsPerS: number): string {
  return bitsPerS >= 1e9 ? `${figure(bitsPerS / 1e9, 2)}${SPACE}Gb/s` : `${figure(bitsPerS / 1e6, 0)}${SPACE}Mb/s`
}

/** Milliseconds, with a decimal below 10. */
export function msText(ms: number): string {
  return `${figure(ms, ms < 10 ? 1 : 0)}${SPACE}ms`
}

/** Money of minor units with its code: "38.50 EUR"; whole amounts without decimals, from 10 000 on in groups. */
export function moneyText(minor: number, currency: string): string {
  const digits = minor % 100 === 0 ? String(Math.abs(minor) / 100) : (Math.abs(minor) / 100).toFixed(2)
  const amount = Math.abs(minor) >= 1e6 ? digits.replace(/\B(?=(\d{3})+(\.|$))/g, SPACE) : digits
  return `${minor < 0 ? '\u2212' : ''}${amount}${SPACE}${currency}`
}

/** "A", "A and B", "A, B and C". */
export function listWords(names: readonly string[]): string {
  return names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '')
}

/** A stretch of a sentence: its own words, or a name or figure that was put into it. */
export interface Stretch {
  readonly text: string
  readonly given: boolean
}

/** A sentence with words put into it, in stretches: `{name}` stands for the words of that name. */
export function stretches(sentence: string, words: (name: string) => string | undefined): Stretch[] {
  return sentence
    .split(/\{(\w+)\}/)
    .map((part, i): Stretch => {
      if (i % 2 === 0) return { text: part, given: false }
      const found = words(part)
      if (found === undefined) throw new RangeError(`the sentence "${sentence}" needs {${part}}`)
      return { text: found, given: true }
    })
    .filter(({ text }) => text !== '')
}

/** A stretch of time: "40 s", "1:30 min", "1:02:05 h"; part seconds as they are: "7.5 s". */
export function clockSeconds(s: number): string {
  if (s < 60) return `${Number(s.toFixed(1))}\u00A0s`
  const whole = Math.round(s)
  const two = (n: number) => String(n).padStart(2, '0')
  const [h, m] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60]
  return h ? `${h}:${two(m)}:${two(whole % 60)}\u00A0h` : `${m}:${two(whole % 60)}\u00A0min`
}

/** Minutes since midnight as the clock shows them: 1450 is "00:10". */
export function clockOf(minutes: number): string {
  const m = ((Math.round(minutes) % 1440) + 1440) % 1440
  return `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`
}

/** A share in percent, with as many digits as tell it: "31 %", "3.1 %", "0.31 %". */
export const percent = (share: number): string => {
  const value = share * 100
  return `${figure(value, Math.abs(value) >= 9.95 || value === 0 ? 0 : Math.abs(value) >= 0.995 ? 1 : 2)}${SPACE}%`
}

/** "+6 dB", "−12 dB", with a true minus. */
export const dbText = (db: number): string =>
  `${db > 0 ? '+' : db < 0 ? '\u2212' : ''}${figure(Math.abs(db))}${SPACE}dB`
