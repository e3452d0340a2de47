import { type Faulty, STAGE } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const SHOW = {
  devices: {
    wide: { model: 'camera-box-hdmi', shot: 'safe' as const, ports: { hdmi: { format: fmt('1080p59.94') } } },
    close: { model: 'camera-box-hdmi', manned: true as const, ports: { hdmi: { format: fmt('1080p59.94') } } },
    main: STAGE,
  },
  links: { w: 'wide.hdmi > main.in-1 hdmi-passive 2', c: 'close.hdmi > main.in-2 hdmi-passive 2' },
}

export const CASES: readonly Faulty[] = [
  {
    name: 'somebody at a camera whom no call reaches',
    gives: ['R03'],
    plan: plan({
      ...SHOW,
      people: { kim: { name: 'Kim', order: 1, hears: true }, ola: { name: 'Ola', order: 2 } },
      segments: { talk: { title: 'Talk', order: 1, work: { kim: ['main'], ola: ['close'] } } },
    }),
    offers: ['Give Ola an intercom'],
    says: ['Ola stands at close and does not hear'],
  },
  {
    name: 'a manned camera at which nobody is in the second segment',
    gives: ['R03'],
    plan: plan({
      ...SHOW,
      people: {
        kim: { name: 'Kim', order: 1, hears: true },
        ola: { name: 'Ola', order: 2, hears: true },
      },
      segments: {
        talk: { title: 'Talk', order: 1, work: { kim: ['main'], ola: ['close'] } },
        end: { title: 'Farewell', order: 2, work: { kim: ['main'] } },
      },
    }),
    offers: ['Ola stands at close', 'Leave close unmanned'],
    says: ['close needs somebody at it, and in Farewell nobody'],
  },
]
