import type { Component } from 'vue'
import type { LocationQueryRaw, Router } from 'vue-router'
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

const fetched = new Map<string, Component>()

/** A screen of this id was fetched, and can be shown at once. */
export const fetchedScreen = (id: string): Component | undefined => fetched.get(id)

/** Fetches a screen, if there is one of this id. Rejects when it cannot be fetched. */
export async function fetchScreen(id: string): Promise<void> {
  const screen = fetched.has(id) ? undefined : SCREENS.find(candidate => candidate.id === id)
  if (screen) fetched.set(id, (await screen.load()).default)
}

let asked: { readonly screen: Screen } | undefined

/** Opens a screen of the plan at `base`. Until it is there, or another was asked for, keys go on from it. */
export function openScreen(router: Router, base: string, id: string, query: LocationQueryRaw = {}): Promise<void> {
  const mine = (asked = { screen: screenOf(id) })
  const settled = (): void => {
    if (asked === mine) asked = undefined
  }
  // What could not be opened is told by the router to whoever listens there.
  return router.push({ path: `${base}/${id}`, query }).then(settled, settled)
}

/** Where keys go on from: the screen that is on its way, else the one of the address, be it drawn already or not. */
export const standing = (router: Router): Screen =>
  asked?.screen ?? screenOf(String(router.currentRoute.value.params.screen))
