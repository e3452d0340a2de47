import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import type { Ahead } from '../shared/ahead'

/** One file of a build, as far as it matters here. */
export interface Chunk {
  readonly file: string
  readonly isEntry: boolean
  /** The source that it stands for, if it is asked for by itself. */
  readonly stands?: string
  /** Files that it needs at once. */
  readonly imports: readonly string[]
  readonly styles: readonly string[]
}

/** Notes what the build for the browser is made of, as it is written. */
export function chunksPlugin() {
  const chunks: Chunk[] = []
  return {
    chunks,
    plugin: {
      name: 'interlumen:chunks',
      generateBundle(_: unknown, bundle: Readonly<Record<string, object>>): void {
        for (const one of Object.values(bundle) as readonly OutputChunk[])
          if (one.type === 'chunk')
            chunks.push({
              file: one.fileName.replace(/^_nuxt\//, ''),
              isEntry: one.isEntry,
              ...(one.facadeModuleId ? { stands: one.facadeModuleId.split('?')[0]! } : {}),
              imports: one.imports.map(name => name.replace(/^_nuxt\//, '')),
              styles: [...(one.viteMetadata?.importedCss ?? [])].map(name => name.replace(/^_nuxt\//, '')),
            })
      },
    },
  }
}

interface OutputChunk {
  readonly type: string
  readonly fileName: string
  readonly isEntry: boolean
  readonly facadeModuleId: string | null
  readonly imports: readonly string[]
  readonly viteMetadata?: { readonly importedCss: ReadonlySet<string> }
}

/** By screen, the file of the component that it loads: what its `screen.ts` says. */
export function screenFiles(features: string): Record<string, string> {
  return Object.fromEntries(
    readdirSync(features)
      .map(folder => [folder, join(features, folder, 'screen.ts')] as const)
      .filter(([, file]) => existsSync(file))
      .flatMap(([folder, file]) => {
        const text = readFileSync(file, 'utf8')
        const [id, component] = [/^ {2}id: '(.+)'/m.exec(text)?.[1], /import\('\.\/(.+)'\)/.exec(text)?.[1]]
        return id && component ? [[id, `${folder}/${component}`]] : []
      }),
  )
}

/** What a page may begin before its program is there: the worker that judges, and what each screen is made of. */
export function aheadOf(chunks: readonly Chunk[], assets: string, features: string): Ahead {
  const written = new Set(readdirSync(assets))
  const byFile = new Map(chunks.filter(({ file }) => written.has(file)).map(chunk => [chunk.file, chunk]))
  const standing = (path: string): Chunk | undefined =>
    [...byFile.values()].find(({ stands }) => stands?.endsWith(`/app/${path}`))
  const whole = (chunk: Chunk | undefined, seen: Set<Chunk>): Set<Chunk> => {
    // The entry is in every page already.
    if (!chunk || chunk.isEntry || seen.has(chunk)) return seen
    seen.add(chunk)
    for (const next of chunk.imports) whole(byFile.get(next), seen)
    return seen
  }
  const screens = Object.entries(screenFiles(features)).map(([id, file]) => {
    const parts = whole(
      standing(`features/${file}`),
      whole(standing('pages/shows/[show]/[plan]/[screen].vue'), new Set()),
    )
    return [
      id,
      {
        modules: [...parts].map(part => part.file),
        styles: [...new Set([...parts].flatMap(({ styles }) => styles))].filter(name => written.has(name)),
      },
    ] as const
  })
  return {
    checker: [...written].find(name => /^check\.worker-.+\.js$/.test(name)),
    screens: Object.fromEntries(screens),
  }
}
