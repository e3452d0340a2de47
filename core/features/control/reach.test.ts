import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { plan } from '../../../testing/plans'
import { controlReach } from './facts'

const show = (devices: Record<string, string>, links: Record<string, string>) =>
  controlReach(
    tracedOf(
      plan({
        devices: { cam: 'camera-ptz-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', ...devices },
        links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', ...links },
      }),
    ),
  )
const surfaces = ({ reached }: ReturnType<typeof show>, device: string): string[] => [...(reached.get(device) ?? [])]

describe('from what surfaces a device is reached', () => {
  it('is a computer through a switch, at all that hangs on it', () => {
    const reach = show(
      { pc: 'computer-control', hub: 'switch-control' },
      {
        u: 'pc.network > hub.in control-network 2',
        m: 'hub.out-2 > main.control control-network 2',
        c: 'hub.out-3 > cam.control control-network 9',
      },
    )
    expect([surfaces(reach, 'main'), surfaces(reach, 'cam')]).toEqual([['computer'], ['computer']])
    expect(reach.unreached).toEqual([])
  })
  it('is no computer where a joystick alone is at the other end, though the camera can be set up', () => {
    const reach = show(
      { joy: 'controller-joystick', hub: 'switch-control' },
      {
        u: 'joy.network > hub.in control-network 2',
        m: 'hub.out-2 > main.control control-network 2',
        c: 'hub.out-3 > cam.control control-network 9',
      },
    )
    expect(surfaces(reach, 'main')).toEqual([])
    expect(reach.unreached).toEqual([])
  })
  it('is one socket of two: by USB as well as by network', () => {
    const reach = show({ pc: 'computer-control' }, { u: 'pc.usb-1 > main.control-usb control-usb 1' })
    expect(surfaces(reach, 'main')).toEqual(['computer'])
    // What enters a device by one socket does not leave it by another.
    expect(reach.unreached.map(({ id }) => id)).toEqual(['cam'])
  })
})
