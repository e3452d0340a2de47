// npm run types: every part of the program by its own settings, two at a time.
import { run } from './run.mjs'

const bin = (name, ...args) => [process.execPath, [`node_modules/${name}`, ...args]]
const VUE = 'vue-tsc/bin/vue-tsc.js'
const PLAIN = 'typescript/bin/tsc'
const inTurn = async (...calls) => {
  let worst = 0
  for (const [command, args] of calls) worst = Math.max(worst, await run(command, args))
  return worst
}

if ((await run(...bin('nuxt/bin/nuxt.mjs', 'prepare'), { env: { NUXT_TELEMETRY_DISABLED: '1' } })) !== 0)
  process.exit(1)
const codes = await Promise.all([
  inTurn(bin(VUE, '--noEmit', '-p', '.nuxt/tsconfig.app.json')),
  inTurn(
    bin(VUE, '--noEmit', '-p', '.nuxt/tsconfig.server.json'),
    bin(PLAIN, '--noEmit', '-p', 'core/tsconfig.json'),
    bin(PLAIN, '--noEmit', '-p', 'tsconfig.tools.json'),
  ),
])
process.exit(Math.max(...codes))
