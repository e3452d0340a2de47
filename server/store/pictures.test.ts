import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { writePng } from '../../shared/png'
import { CLEAR, patches } from '../../testing/graphics'
import { NoRoom } from './safe/log'
import { Pictures, hashOf, isHash, picturesNamed } from './safe/pictures'

const folders: string[] = []
const folder = (): string => {
  const made = mkdtempSync(join(tmpdir(), 'interlumen-pictures-'))
  folders.push(made)
  return made
}
afterEach(() => {
  for (const made of folders.splice(0)) rmSync(made, { recursive: true, force: true })
})
const one = writePng(patches(8, 4, CLEAR, [[1, 1, 3, 2, [9, 8, 7, 100]]]))
const other = writePng(patches(8, 4, [1, 2, 3], []))

describe('pictures of shows', () => {
  it('lie by the hash of their bytes, and a second time nothing is written', () => {
    const root = folder()
    const pictures = new Pictures(root, 0)
    expect(pictures.list()).toEqual([])
    const hash = pictures.put(one)
    // SHA-256 of nothing, FIPS 180-4.
    expect(hashOf(new Uint8Array())).toBe('e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855')
    expect([hash, isHash(hash)]).toEqual([hashOf(one), true])
    expect(pictures.put(one)).toBe(hash)
    expect(pictures.put(other)).not.toBe(hash)
    expect(readdirSync(join(root, 'pictures'))).toHaveLength(2)
    expect(Buffer.compare(pictures.get(hash)!, one)).toBe(0)
    const all: number[] = []
    pictures.each(bytes => all.push(bytes.length))
    expect(all.sort()).toEqual([one.length, other.length].sort())
  })
  it('that were damaged where they lie are not given, and are put in anew', () => {
    const root = folder()
    const pictures = new Pictures(root, 0)
    const hash = pictures.put(one)
    writeFileSync(join(root, 'pictures', `${hash}.png`), 'torn')
    expect(pictures.get(hash)).toBeUndefined()
    let seen = 0
    pictures.each(() => seen++)
    expect(seen).toBe(0)
    expect(pictures.put(one)).toBe(hash)
    expect(Buffer.compare(pictures.get(hash)!, one)).toBe(0)
  })
  it('are asked for by a hash and by nothing else', () => {
    const root = folder()
    const pictures = new Pictures(root, 0)
    writeFileSync(join(root, 'interlumen.json'), '{}')
    for (const odd of ['', '../interlumen', '..%2f', 'A'.repeat(64), 'a'.repeat(63), `${'a'.repeat(64)}.png`])
      expect([odd, pictures.has(odd), pictures.get(odd)]).toEqual([odd, false, undefined])
  })
  it('leave drafts of a write that was cut off alone, and other files too', () => {
    const root = folder()
    mkdirSync(join(root, 'pictures'))
    writeFileSync(join(root, 'pictures', `${hashOf(one)}.png.draft`), one.subarray(0, 9))
    writeFileSync(join(root, 'pictures', 'notes.txt'), 'x')
    const pictures = new Pictures(root, 0)
    expect([pictures.list(), pictures.has(hashOf(one))]).toEqual([[], false])
    expect(pictures.put(one)).toBe(hashOf(one))
    expect(pictures.list()).toEqual([hashOf(one)])
  })
  it('are refused where the disk is to stay free, and nothing is written', () => {
    const root = folder()
    // More than any disk has, MB.
    expect(() => new Pictures(root, 1e12).put(one)).toThrow(NoRoom)
    expect(readdirSync(root)).toEqual([])
  })
  it('are found in the text of an open file, each once', () => {
    const [a, b] = ['a'.repeat(64), 'b'.repeat(64)]
    expect(picturesNamed(`{"file": "${a}", "x": {"file":"${b}"}, "y": {"file": "${a}"}, "file": "short"}`)).toEqual([
      a,
      b,
    ])
  })
})
