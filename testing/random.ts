import fc from 'fast-check'
import type { Plan } from '#core/document'
import { plan } from './plans'

/** Plans of one or two switchers with sources and sinks of every kind, right and wrong. */
export const shapes = fc.record({
  sources: fc.array(
    fc.record({
      what: fc.constantFrom(
        'camera-studio-sdi:sdi:1080p50,1080p59.94,1080i50,720p50',
        'camera-shoulder-sdi:sdi:1080i50',
        'camera-box-hdmi:hdmi:1080p59.94,720p59.94',
        'laptop:hdmi:1080p60,1080p25',
        'computer:hdmi-1:1080p59.94,2160p30,1080p60',
        'camera-ptz:sdi:1080p25,1080i59.94',
      ),
      pick: fc.nat(3),
      metres: fc.integer({ min: 1, max: 90 }),
      feeder: fc.boolean(),
    }),
    { minLength: 1, maxLength: 6 },
  ),
  sinks: fc.array(fc.constantFrom('screen', 'capture-hdmi', 'recorder-hdmi', 'projector'), { maxLength: 2 }),
  two: fc.boolean(),
  standard: fc.constantFrom('1080p50', '1080p59.94', '1080i50', '720p50', '1080p25'),
  other: fc.constantFrom('1080p50', '1080p59.94', '1080p30'),
})

export type Shape = typeof shapes extends fc.Arbitrary<infer T> ? T : never

export function build({ sources, sinks, two, standard, other }: Shape): Plan {
  const devices: Record<string, string> = { main: `switcher-8-mixed ${standard}` }
  const links: Record<string, string> = {}
  const free: Record<string, { hdmi: number[]; sdi: number[] }> = {
    main: { hdmi: [1, 2, 3], sdi: [5, 6, 7, 8] },
    side: { hdmi: [1, 2, 3, 4], sdi: [5, 6, 7, 8] },
  }
  if (two) {
    devices.side = `switcher-8-mixed ${other}`
    links.up = 'side.out-4 > main.in-4 hdmi-passive 1'
  }
  for (const [i, { what, pick, metres, feeder }] of sources.entries()) {
    const [model, port, formats] = what.split(':') as [string, string, string]
    const switcher = two && feeder ? 'side' : 'main'
    const kind = model === 'laptop' || model === 'computer' || model === 'camera-box-hdmi' ? 'hdmi' : 'sdi'
    const input = free[switcher]![kind].shift()
    if (input === undefined) continue
    devices[`s${i}`] = `${model} ${formats.split(',')[pick % formats.split(',').length]}`
    links[`l${i}`] =
      `s${i}.${port} > ${switcher}.in-${input} ${kind === 'hdmi' ? 'hdmi-passive' : 'coax-rg6'} ${kind === 'hdmi' ? metres / 8 : metres}`
  }
  for (const [i, model] of sinks.entries()) {
    devices[`k${i}`] = model
    links[`o${i}`] = `main.out-${i + 3} > k${i}.in hdmi-passive 2`
  }
  return plan({ devices, links })
}
