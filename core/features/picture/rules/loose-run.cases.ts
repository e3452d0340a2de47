import { MIXED, STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a source that is not connected',
    gives: ['C07'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 720p59.94', two: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'two.hdmi > main.in-1 hdmi-passive 3' },
    }),
    offers: ['Connect it to main input 2'],
    says: ['cam is not connected'],
  },
  {
    name: 'a cable that ends loose',
    gives: ['C07'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > - hdmi-passive 3' },
    }),
    offers: ['Connect it to main input 1'],
    says: ['ends loose'],
  },
  {
    name: 'a cable that begins loose',
    gives: ['C07'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: '- > main.in-2 hdmi-passive 3' },
    }),
    offers: ['Take the loose cable out'],
    says: ['begins loose'],
  },
  {
    name: 'a converter that leads nowhere',
    gives: ['C07'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', conv: 'hdmi-to-sdi', main: MIXED },
      links: { a: 'cam.hdmi > conv.in hdmi-passive 1' },
    }),
    offers: ['Lead it on to main input 5'],
    says: ['no cable leaves it'],
  },
  {
    name: 'a converter without an input',
    gives: ['C07'],
    plan: plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', conv: 'hdmi-to-sdi', main: MIXED },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 1', b: 'conv.out > main.in-5 coax-rg6 3' },
    }),
    offers: ['Take conv and its cables out'],
    says: ['conv has no picture'],
  },
  {
    name: 'a ring of converters',
    gives: ['C07'],
    plan: plan({
      devices: { one: 'hdmi-to-sdi', two: 'sdi-to-hdmi', cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: {
        a: 'one.out > two.in coax-rg6 1',
        b: 'two.out > one.in hdmi-passive 1',
        c: 'cam.hdmi > main.in-1 hdmi-passive 1',
      },
    }),
    offers: ['and its cables out'],
    says: ['no picture'],
  },
]
