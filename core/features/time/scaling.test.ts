import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import { plan } from '../../../testing/plans'
import { scalingOf } from './scaling'

const of = (camera: string, more: { devices?: object; links?: object } = {}) =>
  scalingOf(
    check(
      plan({
        devices: { cam: camera, main: 'switcher-4-scaling 1080p59.94', proj: 'projector', ...more.devices },
        links: { a: 'cam.hdmi-1 > main.in-1 hdmi-passive 3', p: 'main.out-1 > proj.in hdmi-passive 1', ...more.links },
        wants: { proj: 'program' },
      } as never),
    ).traced,
  )

describe('where pictures are brought to another format', () => {
  it('is nowhere, where they come in the standard', () => expect(of('computer 1080p59.94')).toEqual([]))
  it('is at the input that scales, with what is uneven', () => {
    const [one, ...others] = of('computer 1080p25')
    expect(others).toEqual([])
    // 25 twice are 50, and 9.94 of them once more.
    expect(one).toMatchObject({ device: 'main', from: '1080p25', to: '1080p59.94', by: 'repeats', resizes: false })
    expect(one!.uneven).toBeCloseTo(9.94, 2)
    expect(one!.delay!.typ).toBeGreaterThan(0)
  })
  it('says drops, and sizes', () => {
    const [one] = of('computer 720p60')
    expect(one).toMatchObject({ by: 'drops', resizes: true, deinterlaces: false })
    expect(one!.uneven).toBeCloseTo(60 / 1001, 6)
  })
  it('is at a box on the way too, and then not at the input behind it', () => {
    const found = of('computer 1080p25', {
      devices: { box: 'scaler-hdmi 1080p59.94' },
      links: { a: 'cam.hdmi-1 > box.in hdmi-passive 3', b: 'box.out > main.in-1 hdmi-passive 2' },
    })
    expect(found.map(({ device, by }) => [device, by])).toEqual([['box', 'repeats']])
  })
})

describe('over all known plans', () => {
  it('what is uneven at the input of a switcher is what F23 tells, and the other way round', () => {
    let seen = 0
    for (const [name, known] of [
      ...Object.entries(CLEAN),
      ...FAULTY.map(({ name: faulty, plan: written }) => [faulty, written] as const),
    ]) {
      const checked = check(known)
      const { chain, trace } = checked.traced
      const uneven = scalingOf(checked.traced).filter(({ device, port, uneven: n }) => {
        const wire = [...chain.wires.values()].find(({ to }) => to?.node.id === device && to.portId === port)!
        // Between switchers it is the two standards that differ, which another rule tells.
        return n > 0 && chain.nodes.get(device)!.standard && trace.wires.get(wire.id)!.signal!.feed === undefined
      })
      const told = checked.findings.filter(({ id }) => id === 'F23')
      seen += told.length
      expect(
        told.map(({ at }) => chain.wires.get((at as { link: string }).link)!.to!.node.id).sort(),
        String(name),
      ).toEqual(uneven.map(({ device }) => device).sort())
    }
    expect(seen).toBeGreaterThan(2)
  })
})
