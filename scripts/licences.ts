import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

interface Locked {
  readonly packages: Readonly<
    Record<
      string,
      { readonly version?: string; readonly license?: string; readonly dev?: boolean; readonly optional?: boolean }
    >
  >
}

/** The licence texts of every package that the program is built of or runs on, one after the other. */
export function licenceTexts(root: string): string {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')) as Locked
  const used = Object.entries(packages)
    .filter(([path, { dev }]) => path.startsWith('node_modules/') && !dev && existsSync(join(root, path)))
    .sort(([a], [b]) => (a < b ? -1 : 1))
  const texts = used.map(([path, { version, license = 'see its text' }]) => {
    const files = readdirSync(join(root, path)).filter(name => /^(licen[cs]e|copying|notice)(\.|-|$)/i.test(name))
    const text = files
      .map(name => join(root, path, name))
      .filter(file => !readdirSafe(file))
      .map(file => readFileSync(file, 'utf8').trim())
      .join('\n\n')
    const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length)
    return `${name} ${version ?? ''}\n${license}\n\n${text || 'The package carries no text of its own.'}`
  })
  return `Interlumen is built of these packages.\n\n${texts.join(`\n\n${'-'.repeat(72)}\n\n`)}\n`
}

/** True for a folder. */
function readdirSafe(path: string): boolean {
  try {
    readdirSync(path)
    return true
  } catch {
    return false
  }
}
