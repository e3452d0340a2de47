import { MODELS, makesOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher } from '#core/chain'
import { own } from '#core/document'
import { ghost, text } from '#core/kernel'
import { Draft, type Proposal, rule, swapSwitcher } from '#core/propose'
import { setsContain } from '#core/signal'
import { listWords } from '#core/words'
import { withoutRecording } from '../copies'

export const noneIsolated = rule({
  code: 'O05',
  about: 'Each camera is to be recorded by itself, and nothing in the plan does.',
  messages: {
    bare: {
      severity: 'D',
      says: 'Each camera is to be recorded by itself for the edit, and nothing records {cameras}.',
    },
  },
  find: (traced, say) => {
    if (!traced.plan.brief.isolated) return []
    const bare = withoutRecording(traced)
    if (bare.length === 0) return []
    const run = traced.runs.find(({ origin }) => origin?.device === bare[0]!.id)?.id
    return [
      ghost(
        'Isolated recordings',
        say('bare', { on: 'show' }, { cameras: text(listWords(bare.map(({ device }) => device.name))) }, run),
      ),
    ]
  },
  remedies: traced => {
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'isolated'])
    return [
      ...inTheCameras(traced),
      ...loopedThrough(traced),
      ...byTheSwitcher(traced),
      { title: 'Give up recordings of each camera', edits: draft.edits, givesUp: true as const },
    ]
  },
})

/** All of them have a mode that records inside and still makes the format that is sent. */
function inTheCameras(traced: Traced): Proposal[] {
  const draft = new Draft(traced.plan)
  for (const { id, model, device } of withoutRecording(traced)) {
    const mode = Object.keys(model.modes ?? {}).find(
      candidate =>
        model.modes![candidate]!.records?.length &&
        portsOf(model, 'out').every(([port]) => {
          const format = own(device.ports, port)?.format
          return format === undefined || setsContain(makesOf(model, port, candidate), format)
        }),
    )
    if (mode === undefined) return []
    draft.set(['devices', id, 'mode'], mode)
  }
  return [{ title: 'Record in the cameras', edits: draft.edits }]
}

/** A recorder with loop-through right before the input of each. */
function loopedThrough(traced: Traced): Proposal[] {
  const draft = new Draft(traced.plan)
  const names: string[] = []
  for (const camera of withoutRecording(traced)) {
    const last = traced.runs
      .find(run => run.lit && !run.beside && run.origin?.device === camera.id && run.end)
      ?.links.at(-1)
    const to = last?.wire.to
    const row =
      last?.signal &&
      to?.port &&
      [...MODELS].find(([, { kind, ports, paths }]) => {
        const { in: input, loop } = ports
        return (
          kind === 'recorder' &&
          paths.length > 0 &&
          input?.connector === to.port!.connector &&
          loop?.connector === to.port!.connector &&
          input.carries === to.port!.carries &&
          Array.isArray(input.takes) &&
          setsContain(input.takes, last.signal!.format) &&
          (input.levels === undefined || last.signal!.level === undefined || input.levels.includes(last.signal!.level))
        )
      })
    if (!row) return []
    const name = `Recorder, ${camera.device.name}`.slice(0, 120)
    const device = draft.device({ model: draft.model(row[0]), name, order: draft.lastOrder })
    const lead = to.port!.carries === 'sdi' ? 'coax-rg6' : 'hdmi-passive'
    draft.move(last.wire.id, 'to', { device, port: 'in' }, last.wire.link.adapters?.to)
    draft.connect({ from: { device, port: 'loop' }, to: last.wire.link.to!, cable: draft.lead(lead), pieces: [1] })
    names.push(camera.device.name)
  }
  return [{ title: `Loop a recorder into the runs of ${listWords(names)}`.slice(0, 120), edits: draft.edits }]
}

/** A switcher that records each input, in the place of the one that they enter. */
function byTheSwitcher(traced: Traced): Proposal[] {
  const bare = new Set(withoutRecording(traced).map(({ id }) => id))
  const into = new Set(
    traced.runs.filter(run => run.lit && run.origin && bare.has(run.origin.device)).map(run => run.end?.device),
  )
  const [only] = [...into]
  const node = into.size === 1 && only !== undefined ? traced.chain.nodes.get(only) : undefined
  if (!node || !isSwitcher(node)) return []
  const needs = (all: readonly DeviceNode[]) => all.length
  return [...MODELS]
    .filter(([, row]) => (row.isolates ?? 0) >= needs(withoutRecording(traced)) && row.from !== node.model.from)
    .flatMap(([id, row]): Proposal[] => {
      const edits = swapSwitcher(traced, node, id, row)
      return edits
        ? [
            {
              title:
                `Use ${row.title.split(',')[0]} in the place of ${node.device.name}, which records each input`.slice(
                  0,
                  120,
                ),
              edits,
            },
          ]
        : []
    })
    .slice(0, 2)
}
