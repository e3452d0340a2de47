import { type Run, type Traced, deviceName, endName, isSwitcher, pathFrom, socketKey } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, replaceDevice, rule } from '#core/propose'

export const soundDropped = rule({
  code: 'A14',
  about: 'A device on the way drops the sound of an input that is open for it.',
  messages: {
    dropped: {
      severity: 'D',
      says: '{input} is open for the sound of {source}, and {box} on the way drops it: nothing is heard.',
    },
  },
  find: (traced, say) =>
    dropped(traced).map(({ run, box }) =>
      say(
        'dropped',
        { on: 'device', device: box },
        {
          input: text(endName(traced, run.end!)),
          source: text(deviceName(traced, run.origin!.device)),
          box: text(deviceName(traced, box)),
        },
        run.id,
      ),
    ),
  remedies: (traced, { at }) => {
    if (at.on !== 'device') return []
    const runs = dropped(traced).filter(({ box }) => box === at.device)
    const draft = new Draft(traced.plan)
    for (const { run } of runs) draft.set(['devices', run.end!.device, 'ports', run.end!.port, 'sound'], 'shut')
    const shut: Proposal[] = runs.length
      ? [{ title: `Shut the sound of ${endName(traced, runs[0]!.run.end!)}`.slice(0, 120), edits: draft.edits }]
      : []
    return [...replaceDevice(traced, at.device, 3), ...shut]
  },
})

/** Runs into an input that somebody opened, from a source with sound that does not arrive with its picture. */
function dropped(traced: Traced): { run: Run; box: string }[] {
  const { chain, sound, runs } = traced
  return runs.flatMap(run => {
    const { origin, end, lit, beside, links } = run
    if (!origin || !end || !lit || beside) return []
    const to = chain.nodes.get(end.device)!
    const from = chain.nodes.get(origin.device)!
    const opening = own(to.device.ports, end.port)?.sound
    const makes = own(from.model.ports, origin.port)?.sound
    if (!isSwitcher(to) || !makes || opening === undefined || opening === 'shut') return []
    if (sound.arriving.get(socketKey(end.device, end.port))?.has(origin.device)) return []
    const box = links.find(({ wire }) => wire.to && pathFrom(wire.to.node, wire.to.portId)?.sound === 'drops')?.wire.to
      ?.node.id
    return box === undefined ? [] : [{ run, box }]
  })
}
