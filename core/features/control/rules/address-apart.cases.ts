import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

/** A joystick, a computer and two moving cameras on one network switch. */
const wired = (addresses: Readonly<Record<string, string>>, more: object = {}) => {
  const at = (id: string) => (addresses[id] === undefined ? {} : { address: addresses[id] })
  return plan({
    devices: {
      one: {
        model: 'camera-ptz-hdmi',
        ports: { hdmi: { format: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } } },
        ...at('one'),
      },
      two: {
        model: 'camera-ptz-hdmi',
        shot: 'safe',
        ports: { hdmi: { format: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } } },
        ...at('two'),
      },
      net: 'switch-control',
      joy: { model: 'controller-joystick', ...at('joy') },
      main: STAGE,
    },
    links: {
      a: 'one.hdmi > main.in-1 hdmi-passive 2',
      b: 'two.hdmi > main.in-2 hdmi-passive 2',
      x: 'joy.network > net.in control-network 2',
      y: 'net.out-2 > one.control control-network 20',
      z: 'net.out-3 > two.control control-network 20',
    },
    ...more,
  } as never)
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a camera on its factory subnet',
    gives: ['N02'],
    plan: wired({ joy: '192.168.10.5/24', one: '192.168.0.100/24', two: '192.168.10.20/24' }),
    offers: ['Give one 192.168.10.1/24'],
    says: ['one has 192.168.0.100/24', 'joy', 'do not find each other'],
  },
  {
    name: 'a joystick whose subnet ends before the camera',
    gives: ['N02'],
    plan: wired({ joy: '10.1.2.5/28', one: '10.1.2.40/24' }),
    offers: ['Give one 10.1.2.1/28'],
    says: ['one has 10.1.2.40/24'],
  },
]
