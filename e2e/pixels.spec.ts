import { chromium } from '@playwright/test'
import { build } from 'esbuild'
import { APART } from '../testing/trees'
import { expect, test } from './walk'

declare const compared: (
  sizes: readonly (readonly [number, number])[],
  seeds: number,
) => { most: Record<string, number>; pictures: number } | undefined
declare const painted: (width: number, height: number) => number[]
declare const straight: () => number[]

test('draws with WebGL2 what the kernels draw: matte, key, mix and cut to the code, fill and scaling within one', async () => {
  const { outputFiles } = await build({
    entryPoints: [new URL('pixels.page.ts', import.meta.url).pathname],
    bundle: true,
    write: false,
    format: 'iife',
  })
  // The machine's own processor stands in for one of graphics: the formulas are the same, only slower.
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--headless',
      '--no-sandbox',
      '--use-angle=swiftshader',
      '--enable-unsafe-swiftshader',
      '--ignore-gpu-blocklist',
    ],
  })
  try {
    const page = await browser.newPage()
    await page.addScriptTag({ content: outputFiles[0]!.text })
    const sizes = [
      [1, 1],
      [33, 19],
      [160, 90],
    ] as const
    const found = await page.evaluate(of => compared(of, 8), sizes)
    expect(found).toBeDefined()
    const { most, pictures } = found!
    expect(pictures).toBe(3 * 8 * 14)
    expect(Object.keys(most).sort()).toEqual(Object.keys(APART).sort())
    for (const [name, apart] of Object.entries(APART)) expect(most[name], name).toBeLessThanOrEqual(apart)
    // What is shown stands the right way up, in the colours that were meant.
    expect(await page.evaluate(() => painted(40, 22))).toEqual(await page.evaluate(() => straight()))
  } finally {
    await browser.close()
  }
})
