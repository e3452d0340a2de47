import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const wants = { enc: { feed: 'program', sound: true } } as const
const big = {
  model: 'switcher-8-level-a',
  standard: fmt('1080p59.94'),
  ports: { 'sound-1': { soundDelayMs: 40 } },
} as const

export const CASES: readonly Faulty[] = [
  {
    name: 'a condenser microphone at a desk with phantom power off',
    gives: ['A16'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        talk: 'microphone-condenser',
        desk: 'desk-8',
        main: {
          model: 'switcher-8-mixed',
          standard: fmt('1080p59.94'),
          ports: { 'sound-1': { soundDelayMs: 40 } },
        },
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        m: 'talk.out > desk.in-1 xlr-lead 3',
        d: 'desk.main > main.sound-1 jack-lead 3',
        b: 'main.out-4 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Switch phantom power on at desk', 'A microphone that needs none'],
    says: ['48\u00A0V', 'switched off'],
  },
  {
    name: 'a condenser microphone at an input without phantom power',
    gives: ['A16'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        talk: 'microphone-condenser',
        main: { model: 'switcher-8-mixed', standard: fmt('1080p59.94'), ports: { 'sound-2': { soundDelayMs: 40 } } },
        enc: 'encoder-stream',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        m: 'talk.out > main.sound-2 xlr-lead 3',
        b: 'main.out-4 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Put in a microphone amplifier with phantom power'],
    says: ['gives none'],
  },
  {
    name: 'phantom power on the line of the house',
    gives: ['A16'],
    plan: plan({
      devices: {
        cam: { model: 'camera-studio-sdi', ports: { sdi: { format: fmt('1080p59.94') } } },
        house: 'desk-house',
        main: { ...big, ports: { 'sound-1': { soundDelayMs: 40, phantom: true } } },
        scr: 'screen-sdi',
      },
      links: {
        a: 'cam.sdi > main.in-1 coax-rg6 2',
        m: 'house.feed > main.sound-1 xlr-lead 3',
        b: 'main.out-1 > scr.in coax-rg6 2',
      },
      wants: { scr: { feed: 'program', sound: true } },
    }),
    offers: ['Switch phantom power off at main', 'Put in a sound isolator before main'],
    says: ['must not have it'],
  },
]
