import fc from 'fast-check'
import { expect, test } from 'vitest'
import { createMemoryHistory, createRouter, type Router } from 'vue-router'
import { SCREENS } from '~/features'
import { besides, openScreen, screenOf, standing } from '~/shell/place'

const BASE = '/shows/a/main'
const turns = async (count: number): Promise<void> => {
  for (let i = 0; i < count; i++) await Promise.resolve()
}

/** A router whose screens take their time: `slow` says how many turns each opening takes, over and over. */
async function slowRouter(slow: readonly number[], start: string): Promise<Router> {
  const screen = { render: () => null }
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/shows/:show/:plan/:screen', component: screen }],
  })
  await router.push(`${BASE}/${start}`)
  let opened = 0
  router.beforeEach(() => turns(slow[opened++ % slow.length]!))
  return router
}

test('keys that come faster than screens open end where as many slow ones end', async () => {
  const key = fc.record({ way: fc.constantFrom('before', 'next'), pause: fc.nat(120) })
  await fc.assert(
    fc.asyncProperty(
      fc.array(key, { minLength: 1, maxLength: 12 }),
      fc.array(fc.nat(80), { minLength: 1, maxLength: 5 }),
      fc.nat(SCREENS.length - 1),
      async (keys, slow, start) => {
        const router = await slowRouter(slow, SCREENS[start]!.id)
        let at = start
        const opening: Promise<void>[] = []
        for (const { way, pause } of keys) {
          expect(standing(router).id).toBe(SCREENS[at]!.id)
          const screen = besides(standing(router))[way as 'before' | 'next']
          if (screen) opening.push(openScreen(router, BASE, screen.id))
          at = Math.min(SCREENS.length - 1, Math.max(0, at + (way === 'next' ? 1 : -1)))
          await turns(pause)
        }
        await Promise.all(opening)
        expect(router.currentRoute.value.path).toBe(`${BASE}/${SCREENS[at]!.id}`)
      },
    ),
    { numRuns: 300 },
  )
})

test('a screen that is refused is no longer gone on from', async () => {
  const router = await slowRouter([5], 'kit')
  router.beforeEach(to => !to.path.endsWith('/cost'))
  const opening = openScreen(router, BASE, 'cost')
  expect(standing(router)).toBe(screenOf('cost'))
  await opening
  expect(standing(router)).toBe(screenOf('kit'))
})
