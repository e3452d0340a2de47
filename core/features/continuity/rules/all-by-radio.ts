import { isCamera } from '#core/catalog'
import type { Run, Traced } from '#core/chain'
import { text } from '#core/kernel'
import { isRadio, replaceDevice, rule } from '#core/propose'

export const allByRadio = rule({
  code: 'R02',
  about: 'All cameras by radio.',
  messages: {
    all: {
      severity: 'R',
      says: '{cameras} by radio: when the band is disturbed, no camera is left to cut to.',
    },
  },
  find: (traced, say) => {
    const runs = cameraRuns(traced)
    const cameras = new Set(runs.map(({ origin }) => origin!.device))
    if (cameras.size === 0 || runs.some(run => !radioIn(run))) return []
    return [
      say(
        'all',
        { on: 'show' },
        { cameras: text(cameras.size === 1 ? 'The one camera comes' : `All ${cameras.size} cameras come`) },
        runs[0]!.id,
      ),
    ]
  },
  remedies: traced =>
    cameraRuns(traced)
      .flatMap(run => {
        const name = traced.chain.nodes.get(run.origin!.device)!.device.name
        return replaceDevice(traced, radioIn(run)!, 1, true).map(({ title, edits }) => ({
          title: title.replace('In its place:', `Wire ${name}:`).slice(0, 120),
          edits,
        }))
      })
      .slice(0, 4),
})

/** The runs by which cameras come to a switcher or a sink, lit or not: mending one must not bring this finding. */
const cameraRuns = ({ runs, chain }: Traced): Run[] =>
  runs.filter(({ origin, end, beside }) => !beside && origin && end && isCamera(chain.nodes.get(origin.device)!.model))

const radioIn = ({ links }: Run): string | undefined =>
  links.map(({ wire: { from } }) => from?.node).find(node => node && isRadio(node.model))?.id
