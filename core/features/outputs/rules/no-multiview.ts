import { carriesPicture, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, socketKey } from '#core/chain'
import { count, ghost } from '#core/kernel'
import {
  Draft,
  type Proposal,
  addSink,
  after,
  feedOf,
  freeSockets,
  idleSources,
  largerSwitcher,
  rule,
  signalAt,
  switchersOf,
} from '#core/propose'

const SCREEN = 'Operator screen'

export const noMultiview = rule({
  code: 'O03',
  about: 'Three or more sources, and no multiview for whoever switches.',
  messages: {
    blind: {
      severity: 'R',
      says: '{sources} sources are switched and nobody sees a multiview: a wrong or black picture is noticed only when it is on air.',
    },
  },
  find: (traced, say) => {
    const sources = switched(traced)
    const seen = traced.runs.some(
      run => run.end && !isSwitcher(traced.chain.nodes.get(run.end.device)!) && feedOf(traced, run) === 'multiview',
    )
    const wanted = Object.values(traced.plan.wants).some(({ feed }) => feed === 'multiview')
    // A multiview that is wanted and not fed has a finding of its own.
    if (sources.size < 3 || seen || wanted) return []
    return [ghost('Multiview for whoever switches', say('blind', { on: 'show' }, { sources: count(sources.size) }))]
  },
  remedies: traced => [...free(traced), ...external(traced), ...larger(traced)],
})

/** Sources that are switched, or wait to be: connecting one must not bring a finding that was there all along. */
function switched(traced: Traced): Set<string> {
  const { runs, chain } = traced
  if (![...chain.nodes.values()].some(isSwitcher)) return new Set()
  const wired = runs.flatMap(({ origin, end, beside }) =>
    !beside &&
    origin &&
    end &&
    chain.nodes.get(origin.device)!.model.role === 'source' &&
    isSwitcher(chain.nodes.get(end.device)!)
      ? [origin.device]
      : [],
  )
  return new Set([...wired, ...idleSources(traced).map(({ id }) => id)])
}

/** A free output that can show it, and a screen. */
function free(traced: Traced): Proposal[] {
  return switchersOf(traced).flatMap(switcher =>
    freeSockets(traced, switcher, 'out')
      .filter(({ port }) => port?.feeds?.includes('multiview'))
      .slice(0, 1)
      .flatMap(socket => {
        const edits = addSink(traced, socket, 'screen', SCREEN, 'multiview')
        return edits
          ? [
              {
                title: `Show the multiview of ${switcher.device.name} output ${socket.port!.number} on a screen`,
                edits,
              },
            ]
          : []
      }),
  )
}

/** A multiviewer beside the switcher: a splitter before each input that is in use. */
function external(traced: Traced): Proposal[] {
  const { plan, chain, trace } = traced
  return switchersOf(traced)
    .slice(0, 1)
    .flatMap((switcher): Proposal[] => {
      const wires = portsOf(switcher.model, 'in').flatMap(([id, port]) =>
        !carriesPicture(port) ? [] : (chain.entering.get(socketKey(switcher.id, id))?.slice(0, 1) ?? []),
      )
      const kinds = new Set(wires.map(wire => wire.to!.port!.carries))
      const [kind] = kinds
      const box =
        kind === 'sdi'
          ? { splitter: 'repeater-sdi', multi: 'multiviewer-8-sdi', lead: 'coax-rg6', most: 8 }
          : { splitter: 'splitter-hdmi', multi: 'multiviewer-4-hdmi', lead: 'hdmi-passive', most: 4 }
      if (kinds.size !== 1 || wires.length > box.most || (kind !== 'sdi' && kind !== 'hdmi')) return []
      const draft = new Draft(plan)
      const splitter = draft.model(box.splitter)
      const multi = draft.device({ model: draft.model(box.multi), name: 'Multiviewer', order: 99 })
      const lead = draft.lead(box.lead)
      for (const [i, wire] of wires.entries()) {
        const signal = trace.wires.get(wire.id)?.signal ?? (wire.from && signalAt(traced, wire.from))
        if (!signal) return []
        const device = draft.device({
          model: splitter,
          name: `Splitter, ${switcher.device.name} input ${wire.to!.port!.number ?? i + 1}`,
          order: 0,
        })
        draft.move(wire.id, 'to', { device, port: 'in' }, wire.link.adapters?.to)
        draft.connect({ from: { device, port: 'out-1' }, to: wire.link.to!, cable: lead, pieces: [1] })
        draft.connect({
          from: { device, port: 'out-2' },
          to: { device: multi, port: `in-${i + 1}` },
          cable: lead,
          pieces: [1],
        })
      }
      const screen = draft.device({ model: draft.model('screen'), name: SCREEN, order: 99 })
      draft.connect({
        from: { device: multi, port: 'out' },
        to: { device: screen, port: 'in' },
        cable: draft.lead('hdmi-passive'),
        pieces: [2],
      })
      draft.edits.push({
        do: 'add',
        collection: 'wants',
        id: `${screen}-sees`.slice(0, 64),
        value: { sink: screen, feed: 'multiview' },
      })
      return [{ title: `Put in a multiviewer with ${wires.length} splitters and a screen`, edits: draft.edits }]
    })
}

/** A switcher that makes one; its screen follows as a second step. */
function larger(traced: Traced): Proposal[] {
  const makes = (model: DeviceNode['model']) =>
    Object.values(model.ports).some(port => port.feeds?.includes('multiview'))
  return switchersOf(traced)
    .slice(0, 1)
    .filter(switcher => !makes(switcher.model))
    .flatMap(switcher =>
      largerSwitcher(traced, switcher, makes).flatMap(({ title, edits }) => {
        const swapped = after(traced, edits)
        const [next] = swapped ? free(swapped) : []
        return next
          ? [
              {
                title:
                  `${title.replace('Use a larger switcher', 'Use a switcher with a multiview')}, and a screen`.slice(
                    0,
                    120,
                  ),
                edits: [...edits, ...next.edits],
              },
            ]
          : []
      }),
    )
}
