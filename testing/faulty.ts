import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Faulty } from './cases'

const features = fileURLToPath(new URL('../core/features', import.meta.url))
const files = (readdirSync(features, { recursive: true }) as string[]).filter(name => name.endsWith('.cases.ts')).sort()
const loaded = await Promise.all(
  files.map(name => import(/* @vite-ignore */ join(features, name)) as Promise<{ CASES: Faulty[] }>),
)

/** Plans with known faults, those that stand beside each rule. */
export const FAULTY: readonly Faulty[] = loaded.flatMap(({ CASES }) => CASES)
