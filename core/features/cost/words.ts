import { figure, SPACE } from '#core/words'
import type { Step } from './money'

export const STEP_WORDS: Readonly<Record<Step, string>> = {
  owned: 'Owned',
  hired: 'Hired',
  bought: 'Bought',
  missing: 'Still missing',
  services: 'Services',
  crew: 'Crew',
}

/** "640 g", "3.4 kg", "128 kg". */
export const kgText = (grams: number): string =>
  grams < 1000 ? `${figure(grams, 0)}${SPACE}g` : `${figure(grams / 1000, grams < 100_000 ? 1 : 0)}${SPACE}kg`

/** "45 min", "2 h", "2 h 15 min". */
export function minutesText(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), Math.round(minutes % 60)]
  if (hours === 0) return `${rest}${SPACE}min`
  return rest === 0 ? `${hours}${SPACE}h` : `${hours}${SPACE}h ${rest}${SPACE}min`
}
