import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Traced, upstream } from '#core/chain'
import { type Plan, canonicalPlan } from '#core/document'
import type { Checked } from '#core/propose'
import { remediesOf } from '#core/propose'
import { SOAK } from '../../testing/soak'
import { wildPlans } from '../../testing/wild'
import { check, say } from './index'

/** Everything on a picture's way, and everything that feeds it: what a finding may stand at to be its cause. */
function causesOf(
  { chain, runs, pictures, plan }: Traced,
  index: number,
): { links: Set<string>; devices: Set<string>; ends: Set<string>; want?: string } {
  const picture = pictures[index]!
  const links = new Set<string>()
  const devices = new Set<string>()
  const ends = new Set<string>()
  const followed = new Set<string>()
  const follow = (device: string): void => {
    if (followed.has(device)) return
    followed.add(device)
    devices.add(device)
    for (const wire of chain.wires.values()) if (wire.to?.node.id === device) along(wire.id)
  }
  const along = (id: string): void => {
    for (let wire = chain.wires.get(id); wire && !links.has(wire.id); wire = upstream(chain, wire)) {
      links.add(wire.id)
      for (const end of [wire.to, wire.from]) {
        if (end) ends.add(end.node.id)
        if (end && end.node.model.role !== 'switcher') devices.add(end.node.id)
      }
      if (wire.from) follow(wire.from.node.id)
    }
  }
  const onward = (device: string): void => {
    for (const wire of chain.wires.values()) {
      if (wire.from?.node.id !== device || links.has(wire.id)) continue
      links.add(wire.id)
      if (!wire.to) continue
      devices.add(wire.to.node.id)
      ends.add(wire.to.node.id)
      if (wire.to.node.model.role === 'way') onward(wire.to.node.id)
    }
  }
  if (picture.of === 'run') for (const { wire } of picture.run.links) along(wire.id)
  else if (picture.of === 'source') {
    devices.add(picture.device)
    ends.add(picture.device)
    onward(picture.device)
    for (const run of runs)
      if (run.origin?.device === picture.device) run.links.forEach(({ wire }) => links.add(wire.id))
  } else if (picture.of === 'feeder') devices.add(picture.device)
  else devices.add(plan.wants[picture.want]!.sink)
  return { links, devices, ends, ...(picture.of === 'want' ? { want: picture.want } : {}) }
}

export function unexplained({ traced, findings }: Checked): string[] {
  const grave = findings.filter(({ severity }) => severity === 'D' || severity === 'H')
  return traced.pictures.flatMap((picture, i) => {
    if (picture.lit) return []
    const { links, devices, ends, want } = causesOf(traced, i)
    const named = grave.some(({ at, id }) => {
      if (at.on === 'link') return links.has(at.link)
      if (at.on === 'setting') return ends.has(at.device)
      if (at.on === 'device' || at.on === 'port') return devices.has(at.device)
      if (at.on === 'sink') return at.want === want || devices.has(at.device)
      // Not a single input or output is left: told once for all that wait.
      return (picture.of === 'source' && id === 'C09') || (picture.of === 'want' && id === 'C11')
    })
    return named
      ? []
      : [
          JSON.stringify(
            picture.of === 'run' ? { run: picture.run.id, links: picture.run.links.map(l => l.stop) } : picture,
          ),
        ]
  })
}

const PLANS = SOAK ? 5000 : 300
const shown = (plan: Plan, why: string) => `${why}\n${canonicalPlan(plan).replace(/"models": \{[^]*?\n {2}\},/, '')}`

describe('any legal plan', () => {
  it('is checked without a failure, and says why each picture that does not arrive is dark', () => {
    fc.assert(
      fc.property(wildPlans(), plan => {
        const checked = check(plan)
        for (const finding of checked.findings) expect(say(finding)).not.toMatch(/undefined|NaN|\{/)
        const keys = checked.findings.map(({ key }) => key)
        expect(new Set(keys).size, shown(plan, keys.join('\n'))).toBe(keys.length)
        const silent = unexplained(checked)
        expect(silent, shown(plan, silent.join('\n'))).toEqual([])
      }),
      { numRuns: PLANS, seed: 20261127 },
    )
  })
  it('gets remedies, or none, and never a failure', () => {
    fc.assert(
      fc.property(wildPlans(6, 8), plan => {
        const checked = check(plan)
        for (const finding of checked.findings) remediesOf(checked, finding, 3)
      }),
      { numRuns: SOAK ? 1000 : 25, seed: 20261128 },
    )
  })
})
