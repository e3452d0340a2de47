import { number, string } from 'yup'

/** A figure as it is typed, with a point or a comma; NaN where it is none. */
export const decimal = (text: string): number => (text.trim() === '' ? NaN : Number(text.replace(',', '.')))

const typedNumber = (needs: string) =>
  number()
    .transform((value, original) => (typeof original === 'string' ? decimal(original) : value))
    .typeError(needs)

/** A length in metres or feet. */
export const distanceSchema = typedNumber('a distance, e.g. 24').min(0, 'not below 0').max(20_000, 'at most 20 000')
export const ampsSchema = typedNumber('a current, e.g. 16').min(0.1, 'at least 0.1').max(1000, 'at most 1000')
export const wattsSchema = typedNumber('watts, e.g. 45').min(0, 'not below 0')
export const wattHoursSchema = typedNumber('watt-hours, e.g. 98').min(0.1, 'at least 0.1').max(5000, 'at most 5000')
export const gigabytesSchema = typedNumber('gigabytes, e.g. 256')
  .min(0.1, 'at least 0.1')
  .max(100_000, 'at most 100 000')
export const sizeSchema = typedNumber('gigabytes, e.g. 1.2')
  .min(0.001, 'at least 0.001')
  .max(100_000, 'at most 100 000')
export const secondsSchema = typedNumber('seconds, e.g. 45')
  .min(0.1, 'a tenth of a second or more')
  .max(86_400, 'at most a day')
export const speedSchema = typedNumber('megabytes a second, e.g. 90')
  .min(0.1, 'at least 0.1')
  .max(20_000, 'at most 20 000')
export const rateSchema = typedNumber('megabits a second, e.g. 6').min(0.05, 'at least 0.05').max(1000, 'at most 1000')
export const celsiusSchema = typedNumber('degrees, e.g. 5').min(-40, 'not below -40').max(50, 'at most 50')
export const weightSchema = typedNumber('kilograms, e.g. 3.5').min(0, 'not below 0').max(100_000, 'at most 100 000')
export const volumeSchema = typedNumber('litres, e.g. 60').min(0, 'not below 0').max(100_000, 'at most 100 000')
export const voltsSchema = typedNumber('volts, e.g. 12').min(1, 'at least 1').max(400, 'at most 400')
export const sectionSchema = typedNumber('square millimetres, e.g. 1.5')
  .min(0.05, 'at least 0.05')
  .max(50, 'at most 50')
export const priceSchema = typedNumber('a price, e.g. 249.50').min(0, 'not below 0')

const plain = (most: number) =>
  string()
    .max(most, `at most ${most} characters`)
    .matches(/^[^\u0000-\u001f\u007f]*$/, 'text without control characters')
export const placeSchema = plain(120)
export const nameSchema = plain(120)
export const labelSchema = plain(24)

/** Whether every word that is looked for stands somewhere in the texts. */
export const matches = (looked: string, ...texts: string[]): boolean =>
  looked
    .toLowerCase()
    .split(/\s+/)
    .every(word => texts.join(' ').toLowerCase().includes(word))
