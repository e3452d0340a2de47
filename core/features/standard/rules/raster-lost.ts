import { MODELS, type Model, isCamera } from '#core/catalog'
import { type Run, type Traced, deviceName, isSwitcher, recordedInside as keptInside } from '#core/chain'
import { type Plan, type Want, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, after, otherStandards, rule, runFor, switchersOf, swapSwitcher } from '#core/propose'
import { type RasterId, type RateText, listFormats, raster } from '#core/signal'

export const rasterLost = rule({
  code: 'F13',
  about: 'The brief asks for a raster that the chain does not keep.',
  messages: {
    smaller: {
      severity: 'Q',
      says: '{sink} is asked for {asked} and gets {made}: what is lost on the way cannot be put back.',
    },
  },
  find: (traced, say) =>
    Object.entries(traced.plan.wants).flatMap(([id, want]) => {
      const made = madeFor(traced, want)
      const asked = want.asks?.raster
      if (!asked || !made || raster(made.raster).height >= raster(asked).height || recordedInside(traced, want, asked))
        return []
      return [
        say(
          'smaller',
          { on: 'sink', want: id, device: want.sink },
          {
            sink: text(deviceName(traced, want.sink)),
            asked: text(`${raster(asked).height} lines (${asked})`),
            made: text(`${raster(made.raster).height} lines (${made.raster})`),
          },
          made.run.id,
        ),
      ]
    }),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const asked = want?.asks?.raster
    if (!asked || found.at.on !== 'sink') return []
    return [
      ...recordInside(traced, want, asked),
      ...largerStandard(traced, asked),
      giveUp(
        traced.plan,
        found.at.want,
        want,
        'raster',
        `${raster(asked).height} lines at ${deviceName(traced, want.sink)}`,
      ),
    ]
  },
})

/** The picture that a want gets; undefined in the dark, which has its own finding. */
export function madeFor(
  traced: Traced,
  want: Want,
): { readonly raster: RasterId; readonly run: Run; readonly rate: RateText } | undefined {
  if (keptInside(traced.chain, want)) {
    // What a switcher records inside is as it mixes.
    const { standard } = traced.chain.nodes.get(want.sink)!
    const entering = traced.runs.find(({ lit, beside, end }) => lit && !beside && end?.device === want.sink)
    return standard && entering ? { raster: standard.raster, rate: standard.rate, run: entering } : undefined
  }
  const run = runFor(traced, want)
  const signal = run?.lit ? run.links.at(-1)?.signal : undefined
  return run && signal ? { raster: signal.format.raster, rate: signal.format.rate, run } : undefined
}

export function giveUp(plan: Plan, id: string, want: Want, field: 'raster' | 'rate', what: string): Proposal {
  const draft = new Draft(plan)
  const { [field]: _gone, ...rest } = want.asks ?? {}
  draft.set(['wants', id, 'asks'], Object.keys(rest).length ? rest : undefined)
  return { title: `Give up ${what}`.slice(0, 120), edits: draft.edits, givesUp: true }
}

const recordsRaster = (model: Model, mode: string, asked: RasterId): boolean =>
  listFormats(model.modes?.[mode]?.records ?? []).some(format => raster(format.raster).height >= raster(asked).height)

/** A recording is kept in full when every camera records it inside. */
function recordedInside({ chain }: Traced, want: Want, asked: RasterId): boolean {
  if (chain.nodes.get(want.sink)!.model.kind !== 'recorder') return false
  const cameras = [...chain.nodes.values()].filter(({ model }) => isCamera(model))
  return (
    cameras.length > 0 &&
    cameras.every(({ model, device }) =>
      recordsRaster(model, device.mode ?? Object.keys(model.modes ?? {})[0] ?? '', asked),
    )
  )
}

function recordInside({ plan, chain }: Traced, want: Want, asked: RasterId): Proposal[] {
  if (chain.nodes.get(want.sink)!.model.kind !== 'recorder') return []
  const draft = new Draft(plan)
  for (const { id, model, device } of chain.nodes.values()) {
    if (!isCamera(model)) continue
    const mode = Object.keys(model.modes ?? {}).find(candidate => recordsRaster(model, candidate, asked))
    if (mode === undefined) return []
    if (device.mode !== mode) draft.set(['devices', id, 'mode'], mode)
  }
  return draft.edits.length
    ? [{ title: `Record ${raster(asked).height} lines in the cameras`, edits: draft.edits }]
    : []
}

/** The last switcher, or one in its place, in a standard of that raster, where every source can follow. */
function largerStandard(traced: Traced, asked: RasterId): Proposal[] {
  const only = ({ raster: candidate }: { raster: RasterId }) => raster(candidate).height >= raster(asked).height
  return switchersOf(traced)
    .slice(0, 1)
    .filter(isSwitcher)
    .flatMap(switcher => {
      const here = otherStandards(traced, switcher.id, { only })
      const others = [...MODELS]
        .filter(
          ([, row]) =>
            row.kind === 'switcher' && row.from !== switcher.model.from && listFormats(row.standards ?? []).some(only),
        )
        .flatMap(([id, row]): Proposal[] => {
          const edits = swapSwitcher(traced, switcher, id, row)
          const swapped = edits && after(traced, edits)
          return swapped
            ? otherStandards(swapped, switcher.id, { only })
                .slice(0, 2)
                .map(offer => ({
                  ...offer,
                  title: `Use ${row.title.split(',')[0]} for ${raster(asked).height} lines: ${offer.title}`.slice(
                    0,
                    120,
                  ),
                  edits: [...edits, ...offer.edits],
                }))
            : []
        })
      return [...here, ...others]
    })
}
