import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure } from '#core/words'
import { CODINGS, CODING_WORDS, type Medium, type RecordCoding } from '../collection'
import { FAT32_BYTES, type Recording, recordingsOf, trackMbps } from '../records'
import { lastingText } from '../words'

const gb = (value: number): string => `${figure(value, value < 100 ? 1 : 0)}\u00A0GB`
const mbs = (value: number): string => `${figure(value)}\u00A0MB/s`
/** Sizes that are sold, GB. */
const SIZES_GB = [64, 128, 256, 512, 1000, 2000, 4000, 8000] as const
/** Sustained writing of speed classes V30, V60, V90 and of a disk, MB/s. */
const SPEEDS_MBS = [30, 60, 90, 400] as const

/** What is asked of a recorder and does not fit the medium that counts, the first one in it. */
const failing = (traced: Traced, fails: (recording: Recording, medium: Medium) => boolean) =>
  recordingsOf(traced).flatMap(recording => {
    const [first] = recording.media
    return first && fails(recording, first[1]) ? [{ recording, id: first[0], medium: first[1] }] : []
  })
type Failing = ReturnType<typeof failing>[number]

const tooSmall = (traced: Traced) => failing(traced, ({ needGB, holdsGB }) => needGB !== undefined && holdsGB < needGB)
const tooSlow = (traced: Traced) =>
  failing(traced, ({ needMBs, media }) =>
    media.some(([, { writeMBs }]) => writeMBs !== undefined && writeMBs < needMBs),
  )
const tooLarge = (traced: Traced) =>
  failing(
    traced,
    ({ fileBytes, media }) => media.some(([, { system }]) => system === 'fat32') && (fileBytes ?? 0) > FAT32_BYTES,
  )

const at = ({ id }: Failing) => ({ on: 'medium', medium: id }) as const
const idOf = (found: { at: { on: string } }): string | undefined =>
  found.at.on === 'medium' ? (found.at as unknown as { medium: string }).medium : undefined

/** A coding that takes less, at the recorder. */
function lighter({ plan }: Traced, { recording }: Failing, fits: (share: number) => boolean): Proposal[] {
  const now = CODINGS.indexOf(recording.coding)
  const rate = (coding: RecordCoding): number => trackMbps(recording.format, coding)
  return CODINGS.slice(0, now)
    .reverse()
    .filter(coding => fits(rate(coding) / rate(recording.coding)))
    .slice(0, 1)
    .map(coding => {
      const draft = new Draft(plan)
      draft.set(['devices', recording.device, 'coding'], coding)
      return { title: `Record ${CODING_WORDS[coding]} in ${recording.name}`.slice(0, 120), edits: draft.edits }
    })
}

export const mediumSmall = rule({
  code: 'O06',
  about: 'A medium is too small for the show.',
  messages: {
    small: {
      severity: 'R',
      says: '{recorder} writes {rate} and needs {need} for {time} with its margin; {medium} holds {holds}, which is full after {lasts}.',
    },
  },
  find: (traced, say) =>
    tooSmall(traced).map(one =>
      say('small', at(one), {
        recorder: text(one.recording.name),
        rate: text(mbs(one.recording.mbps / 8)),
        need: text(gb(one.recording.needGB!)),
        time: text(lastingText(one.recording.minutes!)),
        medium: text(one.medium.title),
        holds: text(gb(one.recording.holdsGB)),
        lasts: text(lastingText(one.recording.lastsMinutes!)),
      }),
    ),
  remedies: (traced, found) => {
    const one = tooSmall(traced).find(({ id }) => id === idOf(found))
    if (!one) return []
    const { plan } = traced
    const { needGB, holdsGB } = one.recording
    const others = holdsGB - one.medium.gb * (one.medium.count ?? 1)
    const count = Math.ceil((needGB! - others) / one.medium.gb)
    const size = SIZES_GB.find(candidate => candidate + others >= needGB!)
    const [more, larger] = [new Draft(plan), new Draft(plan)]
    more.set(['media', one.id, 'count'], count)
    larger.set(['media', one.id, 'gb'], size ?? 0)
    larger.set(['media', one.id, 'count'])
    return [
      ...(size === undefined
        ? []
        : [{ title: `One of ${gb(size)} in the place of ${one.medium.title}`.slice(0, 120), edits: larger.edits }]),
      ...(count <= 99
        ? [{ title: `${count} of ${one.medium.title}, changed in turn`.slice(0, 120), edits: more.edits }]
        : []),
      ...lighter(traced, one, share => holdsGB >= needGB! * share),
    ]
  },
})

export const mediumSlow = rule({
  code: 'O07',
  about: 'A medium is too slow for what is written on it at once.',
  messages: {
    slow: {
      severity: 'R',
      says: '{recorder} writes {tracks} at {rate}, for which {need} without pause are needed; {medium} takes {takes}: pictures are lost.',
    },
  },
  find: (traced, say) =>
    tooSlow(traced).map(one =>
      say('slow', at(one), {
        recorder: text(one.recording.name),
        tracks: text(one.recording.tracks === 1 ? 'one track' : `${one.recording.tracks} tracks`),
        rate: text(mbs(one.recording.mbps / 8)),
        need: text(mbs(one.recording.needMBs)),
        medium: text(one.medium.title),
        takes: text(mbs(slowest(one))),
      }),
    ),
  remedies: (traced, found) => {
    const one = tooSlow(traced).find(({ id }) => id === idOf(found))
    if (!one) return []
    const draft = new Draft(traced.plan)
    const speed = SPEEDS_MBS.find(candidate => candidate >= one.recording.needMBs) ?? Math.ceil(one.recording.needMBs)
    for (const [id, { writeMBs }] of one.recording.media)
      if (writeMBs !== undefined && writeMBs < one.recording.needMBs) draft.set(['media', id, 'writeMBs'], speed)
    return [
      {
        title: `A medium that takes ${mbs(speed)} in the place of ${one.medium.title}`.slice(0, 120),
        edits: draft.edits,
      },
      ...lighter(traced, one, share => slowest(one) >= one.recording.needMBs * share),
    ]
  },
})

const slowest = ({ recording }: Failing): number =>
  Math.min(...recording.media.flatMap(([, { writeMBs }]) => (writeMBs === undefined ? [] : [writeMBs])))

export const fileLarge = rule({
  code: 'O08',
  about: 'A file system ends a file before the show does.',
  messages: {
    large: {
      severity: 'R',
      says: '{medium} is formatted as FAT32, where a file ends at 4\u00A0GiB; one track of {recorder} has {file} in {time}: it stops, or goes on in a second file.',
    },
  },
  find: (traced, say) =>
    tooLarge(traced).map(one =>
      say('large', at(one), {
        medium: text(one.medium.title),
        recorder: text(one.recording.name),
        file: text(gb(one.recording.fileBytes! / 1e9)),
        time: text(lastingText(one.recording.minutes!)),
      }),
    ),
  remedies: (traced, found) => {
    const one = tooLarge(traced).find(({ id }) => id === idOf(found))
    if (!one) return []
    const draft = new Draft(traced.plan)
    for (const [id, { system }] of one.recording.media)
      if (system === 'fat32') draft.set(['media', id, 'system'], 'exfat')
    return own(traced.plan.media, one.id)
      ? [
          {
            title: `Format ${one.medium.title} as exFAT before the show; all on it is erased`.slice(0, 120),
            edits: draft.edits,
          },
        ]
      : []
  },
})
