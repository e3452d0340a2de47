// npm run types: every part of the program by its own settings, two at a time.
import { run } from './run.mjs'

const bin = (name, ...args) => [process.execPath, [`node_modules/${name}`, ...args]]
// Templates need the checker that speaks Vue; all else goes by the compiler that is machine code, ten times as fast.
const VUE = 'vue-tsc/bin/vue-tsc.js'
const NATIVE = 'typescript-native/bin/tsc'

if ((await run(...bin('nuxt/bin/nuxt.mjs', 'prepare'), { env: { NUXT_TELEMETRY_DISABLED: '1' } })) !== 0)
  process.exit(1)
const native = async () => {
  let worst = 0
  for (const project of ['.nuxt/tsconfig.server.json', 'core/tsconfig.json', 'tsconfig.tools.json'])
    worst = Math.max(worst, await run(...bin(NATIVE, '--noEmit', '-p', project)))
  return worst
}
const codes = await Promise.all([run(...bin(VUE, '--noEmit', '-p', '.nuxt/tsconfig.app.json')), native()])
process.exit(Math.max(...codes))
