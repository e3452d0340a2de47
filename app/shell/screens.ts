import type { Component } from 'vue'

/** The steps of the work, in its order. Alt and the figure lead to the screen that was last used in one. */
export const STEPS = [
  { id: 'brief', title: 'Brief' },
  { id: 'wire', title: 'Wire' },
  { id: 'configure', title: 'Configure' },
  { id: 'prove', title: 'Prove' },
  { id: 'day', title: 'Show day' },
] as const
export type StepId = (typeof STEPS)[number]['id']

/** Something that a screen does at a key. */
export interface Action {
  readonly key: string
  /** What it does, for the list of keys. */
  readonly words: string
  /** The same in two words, where it stands in the foot. */
  readonly foot?: string
  /** The views of the screen on which it does so; absent, all. */
  readonly on?: readonly string[]
}

export interface Screen {
  /** Also the last part of its address. */
  readonly id: string
  readonly step: StepId
  readonly title: string
  readonly actions: readonly Action[]
  readonly load: () => Promise<{ readonly default: Component }>
}

/** What works on every screen. */
export const EVERYWHERE: readonly Action[] = [
  { key: 'Alt 1 to 5', words: 'the steps: Brief, Wire, Configure, Prove, Show day', foot: 'steps' },
  { key: '[ ]', words: 'the screens beside this one', foot: 'screens' },
  { key: 'N', words: 'next dark end', foot: 'next dark end' },
  { key: 'Ctrl Z', words: 'undo', foot: 'undo' },
  { key: 'Ctrl Y', words: 'redo' },
  { key: 'Ctrl K', words: 'find a device, a run, a screen or an action', foot: 'find' },
  { key: 'T', words: 'night or day' },
  { key: 'Esc', words: 'close' },
  { key: '?', words: 'this list', foot: 'keys' },
]

export type FootKey = readonly [key: string, what: string]

/** The keys of a screen, or of one of its views, as the foot tells them, its own first. */
export const footOf = ({ actions }: Pick<Screen, 'actions'>, view?: string): FootKey[] =>
  [...actions, ...EVERYWHERE].flatMap(({ key, foot, on }): FootKey[] =>
    foot === undefined || (on && view !== undefined && !on.includes(view)) ? [] : [[key, foot]],
  )
