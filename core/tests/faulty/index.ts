import { CONNECTION } from './connection'
import type { Faulty } from './faulty'
import { FORMAT } from './format'
import { REST } from './rest'

/** Plans with known faults, at least two a rule, for every test that walks over faults. */
export const FAULTY: readonly Faulty[] = [...FORMAT, ...CONNECTION, ...REST]
