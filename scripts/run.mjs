// What the two commands share. Only Node's own modules: this runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join, relative } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
export const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'

/** Runs a command in the project's folder; gives its exit code. `onOutput` gets what it prints in place of the terminal. */
export function run(command, args, { env = {}, onOutput } = {}) {
  return new Promise(resolve => {
    const stdio = onOutput ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit']
    const child = spawn(command, args, { cwd: root, env: { ...process.env, ...env }, stdio })
    child.stdout?.on('data', chunk => onOutput(String(chunk)))
    child.stderr?.on('data', chunk => onOutput(String(chunk)))
    child.on('error', error => {
      console.error(`${command}: ${error.message}`)
      resolve(1)
    })
    child.on('close', code => resolve(code ?? 1))
  })
}

/** Installs what the lockfile names, unless that very lockfile is installed already. */
export async function install() {
  const marker = join(root, 'node_modules', '.interlumen-lock')
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  if (existsSync(marker) && readFileSync(marker, 'utf8') === lock) return
  console.log('interlumen: installing packages ...')
  if ((await run(npm, ['ci', '--no-audit', '--no-fund'])) !== 0) throw new Error('npm ci failed')
  writeFileSync(marker, lock)
}

const SOURCES = [
  'app',
  'core',
  'server',
  'demo',
  'public',
  'nuxt.config.ts',
  'package.json',
  'package-lock.json',
  'tsconfig.json',
]

/** A figure that changes with any source of the build. */
function sourcesStamp() {
  const hash = createHash('sha256')
  const visit = path => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name))
    else if (!/\.test\.ts$/.test(path)) hash.update(relative(root, path)).update(readFileSync(path))
  }
  for (const source of SOURCES) visit(join(root, source))
  return hash.digest('hex')
}

/** Builds, unless the build that is there was made from these very sources. */
export async function build(onOutput) {
  const marker = join(root, '.output', 'sources')
  const stamp = sourcesStamp()
  if (existsSync(marker) && readFileSync(marker, 'utf8') === stamp) return 0
  console.log('interlumen: building ...')
  const code = await run(npm, ['run', '-s', 'build'], { env: { NUXT_TELEMETRY_DISABLED: '1' }, onOutput })
  if (code === 0) {
    mkdirSync(dirname(marker), { recursive: true })
    writeFileSync(marker, stamp)
  }
  return code
}

const CHROMIUM = '/usr/bin/chromium'

/** Installs Debian's Chromium when it is not there. */
export function chromium() {
  if (existsSync(CHROMIUM)) return
  console.log('interlumen: installing Chromium ...')
  const sudo = process.getuid?.() === 0 ? [] : ['sudo']
  for (const args of [
    ['apt-get', 'update', '-qq'],
    ['apt-get', 'install', '-y', '-qq', '--no-install-recommends', 'chromium'],
  ]) {
    const [command, ...rest] = [...sudo, ...args]
    const { status } = spawnSync(command, rest, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
    if (status !== 0) throw new Error(`${[command, ...rest].join(' ')} failed; install Chromium as ${CHROMIUM} by hand`)
  }
}
