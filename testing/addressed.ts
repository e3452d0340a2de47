import { STAGE } from './cases'
import { plan } from './plans'

/** A joystick and two moving cameras on one network switch. */
export const wired = (addresses: Readonly<Record<string, string>>) => {
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
  } as never)
}
