import { CONNECTION } from './faulty/connection'
import type { Faulty } from './faulty/faulty'
import { FORMAT } from './faulty/format'
import { REST } from './faulty/rest'

/** Plans with known faults, at least two a rule, for every test that walks over faults. */
export const FAULTY: readonly Faulty[] = [...FORMAT, ...CONNECTION, ...REST]
