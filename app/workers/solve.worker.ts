import { expose } from 'comlink'
import highsLoader from 'highs'
import { check } from '#core/features'
import { propose } from '#core/features/patch'

import type { Solver } from './protocol'

const solver: Solver = {
  async propose(plan, asked, progress, found) {
    return propose(await highsLoader(), check(plan), asked, progress, found)
  },
}

expose(solver)
