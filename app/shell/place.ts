import { SCREENS } from '~/features'
import type { Screen, StepId } from './screens'

const KEY = 'interlumen:last-screens'

function lasts(): Partial<Record<StepId, string>> {
  try {
    return JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as Partial<Record<StepId, string>>
  } catch {
    return {}
  }
}

export const screenOf = (id: string): Screen => SCREENS.find(screen => screen.id === id)!
export const screensOf = (step: StepId): Screen[] => SCREENS.filter(screen => screen.step === step)

/** The screen of a step that was used last, or its first. */
export function lastOf(step: StepId): Screen {
  const screens = screensOf(step)
  return screens.find(({ id }) => id === lasts()[step]) ?? screens[0]!
}

export const remember = ({ id, step }: Screen): void =>
  sessionStorage.setItem(KEY, JSON.stringify({ ...lasts(), [step]: id }))

/** The screens before and behind one, over the borders of the steps. */
export function besides({ id }: Screen): { readonly before: Screen | undefined; readonly next: Screen | undefined } {
  const at = SCREENS.findIndex(screen => screen.id === id)
  return { before: SCREENS[at - 1], next: SCREENS[at + 1] }
}

let bound: Screen | undefined

/** The screen that was asked for and is not there yet: keys pressed faster than screens open go on from it. */
export const boundFor = (): Screen | undefined => bound

/** A screen was asked for; gives what to call should it not be reached after all. */
export function bindFor(id: string): () => void {
  const screen = screenOf(id)
  bound = screen
  return () => {
    if (bound === screen) bound = undefined
  }
}

export function arrive(): void {
  bound = undefined
}
