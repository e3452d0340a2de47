import { expose } from 'comlink'
import highsLoader from 'highs'
import { validatorsReady } from '#core/document'
import { check } from '#core/features'
import { assignKeyers, inLooks } from '#core/features/keys'
import { propose } from '#core/features/patch'

import type { Solver } from './protocol'

const solver: Solver = {
  async propose(plan, asked, progress, found) {
    await validatorsReady()
    return propose(await highsLoader(), check(plan), asked, progress, found)
  },
  async assign(plan) {
    await validatorsReady()
    const { traced } = check(plan)
    const found = assignKeyers(await highsLoader(), traced)
    return { ...found, edits: inLooks(traced, found) }
  },
}

expose(solver)
