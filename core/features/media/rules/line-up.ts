import { type Traced, isSwitcher } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, rule } from '#core/propose'
import { listWords } from '#core/words'
import { type Recording, recordingsOf } from '../records'

/** Devices that each record a source by itself; tracks of one device have one clock. */
function isolated(traced: Traced): Recording[] {
  if (!traced.plan.brief.isolated) return []
  return recordingsOf(traced).filter(({ device }) => {
    const node = traced.chain.nodes.get(device)!
    if (isSwitcher(node) || node.model.role === 'source') return true
    return traced.runs.some(
      ({ origin, end, links, beside }) =>
        !beside &&
        origin !== undefined &&
        !isSwitcher(traced.chain.nodes.get(origin.device)!) &&
        (end?.device === device || links.some(({ wire }) => wire.to?.node.id === device)),
    )
  })
}

/** Rates whose timecode can be counted in two ways (SMPTE ST 12-1). */
const TWO_COUNTS: readonly string[] = ['30000/1001', '60000/1001']

export const lineUp = rule({
  code: 'E03',
  about: 'Isolated recordings have no common timecode, or count it in two ways.',
  messages: {
    none: {
      severity: 'Q',
      says: '{devices} each record by themselves, and nothing lays these recordings over each other: in the edit each is looked for by hand. Give all one timecode, or clap before every camera.',
    },
    mixed: {
      severity: 'Q',
      says: 'The timecode of {drop} drops frame numbers and that of {full} does not: they part by 3.6\u00A0s an hour.',
    },
  },
  find: (traced, say) => {
    const all = isolated(traced)
    if (all.length < 2) return []
    const countOf = (which: string) =>
      all.filter(
        ({ device, format }) => TWO_COUNTS.includes(format.rate) && traced.plan.devices[device]!.timecode === which,
      )
    const [drop, full] = [countOf('drop'), countOf('non-drop')]
    const names = (some: readonly Recording[]) => text(listWords(some.map(({ name }) => name)))
    const run = traced.runs.find(({ origin, end }) =>
      all.some(({ device }) => device === origin?.device || device === end?.device),
    )?.id
    return [
      ...(traced.plan.brief.lineUp === undefined ? [say('none', { on: 'show' }, { devices: names(all) }, run)] : []),
      ...(drop.length && full.length
        ? [say('mixed', { on: 'device', device: drop[0]!.device }, { drop: names(drop), full: names(full) }, run)]
        : []),
    ]
  },
  remedies: (traced, { says }) => {
    const by = (way: 'timecode' | 'clap', title: string) => {
      const draft = new Draft(traced.plan)
      draft.set(['brief', 'lineUp'], way)
      return { title, edits: draft.edits }
    }
    if (says === 'none')
      return [
        by('timecode', 'Give all of them one timecode'),
        by('clap', 'Clap before every camera, at the start and the end'),
      ]
    const count = (way: 'drop' | 'non-drop', title: string) => {
      const draft = new Draft(traced.plan)
      for (const { device, format } of isolated(traced))
        if (TWO_COUNTS.includes(format.rate)) draft.set(['devices', device, 'timecode'], way)
      return { title, edits: draft.edits }
    }
    return [
      count('drop', 'Let all count with frame numbers dropped'),
      count('non-drop', 'Let all count every frame number'),
    ]
  },
})
