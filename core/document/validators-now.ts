import * as compiled from './validators.generated'

// Where a program is read from the disk: the validators are there from the start.

export type Validators = typeof compiled

export const validators = (): Validators => compiled

/** What to wait for before shapes can be checked: nothing, here. */
export const validatorsReady = (): Promise<void> | undefined => undefined
