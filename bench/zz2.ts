import { openFile, canonicalText, FORMAT_VERSION } from '#core/document'
import { check } from '#core/features'
import { largePlan } from './plans'
import { openStore } from '../server/store/pglite/open'
import { freshFolder } from '../server/tests/running'
const large = largePlan(1000)
const text = canonicalText({ format: FORMAT_VERSION, show: { title: 'x' }, plans: Object.fromEntries(Array.from({ length: 12 }, (_, i) => [i ? `v-${i}` : 'main', large])) } as never)
const t = async (n: string, f: () => unknown) => { const b = performance.now(); const r = await f(); console.log(n, (performance.now() - b).toFixed(0)); return r as any }
await t('JSON.parse', () => JSON.parse(text))
const o = await t('openFile', () => openFile(text))
await t('stringify', () => JSON.stringify(o.value))
const store = await openStore(freshFolder(), { engine: 'x' })
await t('createShow', () => store.createShow(o.value))
await t('createShow', () => store.createShow(o.value))
await t('list', () => store.listShows(false))
await t('list', () => store.listShows(false))
await t('check', () => check(large))
await t('check', () => check(large))
await store.close()
process.exit(0)
