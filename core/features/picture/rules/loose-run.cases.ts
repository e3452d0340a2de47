import { MIXED, STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

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
    name: 'two sources and no switcher',
    gives: ['C07', 'C07'],
    plan: plan({ devices: { cam: 'camera-box-hdmi 1080p59.94', two: 'camera-box-hdmi 1080p59.94' } }),
    offers: ['Put in a switcher', 'and connect it'],
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
    name: 'a source in a matrix of which no output shows it',
    gives: ['C07'],
    plan: plan({
      devices: {
        cam: 'camera-studio-sdi 1080p50',
        two: 'camera-studio-sdi 1080p50',
        mx: { model: 'matrix-8-sdi', ports: { 'out-1': { of: 'in-1' }, 'out-2': { of: 'in-1' } } },
        main: 'switcher-12-sdi 1080p50',
        seen: 'screen-sdi',
        pc: 'controller-joystick',
      },
      links: {
        a: 'cam.sdi > mx.in-1 coax-rg6 10',
        b: 'two.sdi > mx.in-2 coax-rg6 10',
        m: 'mx.out-1 > main.in-1 coax-rg6 2',
        n: 'mx.out-2 > main.in-2 coax-rg6 2',
        o: 'main.out-1 > seen.in coax-rg6 2',
        c: 'pc.network > mx.control control-network 2',
      },
      wants: { seen: 'program' },
    }),
    offers: ['Set mx SDI out 1 to show it'],
    says: ['two comes into', 'no output of mx is set to show it'],
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
  {
    name: 'an output that is pointed at an input in which nothing is plugged',
    gives: ['C07'],
    // What is on program comes by input 1: the other output shows it.
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: {
          model: 'switcher-8-hdmi',
          standard: fmt('1080p59.94'),
          ports: { 'out-2': { feed: 'input', of: 'in-5' } },
        },
        hall: 'projector',
        side: 'projector',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'main.out-2 > side.in hdmi-passive 2',
        c: 'main.out-1 > hall.in hdmi-passive 2',
      },
    }),
    offers: ['Point it at program', 'Point it at input 1', 'Take the loose cable out'],
    says: ['main output 2 is pointed at input 5, in which nothing is plugged'],
  },
]
