import type { WireTrace } from '#core/chain'
import { SIGNAL_TITLES, formatLabel } from '#core/signal'

/** Why the light ends on a link, in a few words, and where along it: 0 at the output, 1 at the input. */
export interface Reason {
  readonly words: string
  readonly at: number
  /** A gate stands shut there: the picture came all this way and is not let in. */
  readonly gate: boolean
  /** Length by which the cable is too long, metres, so that the board can say it in the reader's unit. */
  readonly tooFarM?: number
}

/** The reason for the board; undefined where the light goes on, or only never came. */
export function reasonOf({ wire, stop }: WireTrace): Reason | undefined {
  if (!stop) return undefined
  const start = (words: string): Reason => ({ words, at: 0, gate: false })
  const gate = (words: string): Reason => ({ words, at: 1, gate: true })
  switch (stop.why) {
    case 'too-far':
      return {
        words: 'too far',
        at: Math.min(1, stop.reachM / stop.lengthM),
        gate: false,
        tooFarM: stop.lengthM - stop.reachM,
      }
    case 'standard':
      return gate(`${formatLabel(stop.sends)} meets ${formatLabel(stop.standard)}`)
    case 'not-taken':
      return gate(`does not take ${formatLabel(stop.sends)}`)
    case 'not-passed':
      return gate(`does not pass ${formatLabel(stop.sends)}`)
    case 'class':
      return stop.end === 'to' ? gate(`${stop.needs} into ${stop.limit}`) : start(`${stop.needs}: ${stop.limit}`)
    case 'turned':
      return start('laid the wrong way round')
    case 'connector':
      return start(
        stop.mismatch.by === 'shape'
          ? 'plugs do not fit'
          : `${SIGNAL_TITLES[stop.mismatch.from.carries]} is not ${SIGNAL_TITLES[stop.mismatch.to.carries]}`,
      )
    case 'direction':
      return start(
        stop.ends.length === 2
          ? 'laid the wrong way round'
          : stop.ends[0] === 'to'
            ? 'output meets output'
            : 'input meets input',
      )
    case 'no-port':
      return start(`no port ${wire[stop.end]?.portId ?? ''}`)
    case 'loose':
      return stop.end === 'to' ? { words: 'loose end', at: 1, gate: false } : start('begins loose')
    case 'double-output':
      return start('socket is taken')
    case 'double-input':
      return gate('socket is taken')
    case 'protected':
      return gate('protected content')
    case 'level':
      return gate(`3G level ${stop.sends} meets ${stop.takes.join(', ')}`)
    case 'division':
      return gate('divided otherwise')
    case 'dead-end':
      return { words: 'leads nowhere', at: 1, gate: false }
    case 'too-short':
      return { words: 'does not reach', at: 1, gate: false }
    case 'impossible':
      return stop.end === 'to' ? gate('cannot be set so') : start('cannot be set so')
    case 'unchosen':
      return gate('no output shows it')
    case 'empty':
      return start('its input is empty')
    case 'no-source':
      return start('no source')
  }
}
