import { type Traced, endName, pointedWords } from '#core/chain'
import { type Macro, type MacroStep, own } from '#core/document'
import { type Command, type Event, type Take, commandOf, momentsOf } from '#core/run'
import { listWords } from '#core/words'

const nameOf = (traced: Traced, device: string): string => own(traced.plan.devices, device)?.name ?? device

/** "Side to 1", "Main mix 25 frames". */
export function commandWords(traced: Traced, device: string, command: Command): string {
  const name = nameOf(traced, device)
  switch (command.do) {
    case 'program':
    case 'preview': {
      const port = own(traced.chain.nodes.get(device)?.model.ports, command.input)
      const number = command.input === 'black' ? 'black' : String(port?.number ?? command.input)
      return command.do === 'program' ? `${name} to ${number}` : `${name} ${number} next`
    }
    case 'cut':
      return `${name} cut`
    case 'auto':
      return `${name} ${command.style} ${command.frames} frames${command.soft ? `, edge ${Math.round(command.soft * 100)}\u00A0%` : ''}`
    case 'lever':
      return `${name} lever ${Math.round(command.share * 100)}\u00A0%`
    case 'key':
      return command.overlay === undefined
        ? `${name} keyer ${command.keyer} off`
        : `${own(traced.plan.overlays, command.overlay)?.title ?? command.overlay} on at ${name}`
    case 'fade':
      return `${name} ${command.to ? 'to black' : 'back from black'}`
    case 'output':
      return `${endName(traced, { device, port: command.port })} carries ${pointedWords(traced.chain.nodes.get(device)!, command.feed)}`
    case 'sound':
      return `${endName(traced, { device, port: command.port })} ${OPENED[command.opening]}`
    case 'load':
      return `${name} loads ${own(traced.plan.overlays, command.overlay)?.title ?? command.overlay} into store ${command.store}`
    case 'all':
      return listWords(command.commands.map(one => commandWords(traced, device, one)))
  }
}

const OPENED = { shut: 'is shut', fixed: 'is open', follows: 'follows the picture' } as const

/** What happened, for the log. */
export function eventWords(traced: Traced, device: string, event: Event): string {
  const name = nameOf(traced, device)
  if ('command' in event) return commandWords(traced, device, event.command)
  if ('macro' in event) return `macro ${own(traced.plan.macros, event.macro)?.title ?? event.macro}`
  if ('content' in event) {
    const where = event.port === undefined ? name : endName(traced, { device, port: event.port })
    return event.content === 'operator'
      ? `${where} shows what its person works with`
      : `${where} shows its ${event.content} page`
  }
  if ('signal' in event) {
    const where = endName(traced, { device, port: event.port })
    return event.signal === 'lost' ? `plug drawn at ${where}` : `plug back at ${where}`
  }
  if ('power' in event) return event.power === 'off' ? `${name} loses its power` : `${name} has power again`
  if ('camera' in event)
    return event.camera === 'moves'
      ? `${name} moves${event.preset ? ` to ${event.preset}` : ''}`
      : `${name} stands still`
  if ('clip' in event)
    return event.clip === null
      ? `${name} stops`
      : `${name} plays ${own(traced.plan.clips, event.clip)?.title ?? event.clip}`
  return event.mark
}

/** The steps of a take in order, and what is seen on the way where it is no straight one. */
export function takeWords(traced: Traced, { kind, steps, cover, why }: Take): string {
  if (kind === 'nothing') return 'It is there already.'
  const said = steps.map(({ happenings, changes }) => {
    const acts = happenings.map(one => eventWords(traced, one.device, one))
    return `${listWords(acts)}${changes.length ? '' : ' (nobody sees it)'}`
  })
  const way = said.length > 1 ? `${said[0]}, then ${said.slice(1).join(', then ')}` : said[0]!
  if (kind !== 'detour') return `${way}.`
  const together = (why?.together ?? []).map(device => nameOf(traced, device))
  const reason =
    why && why.tried !== 'all'
      ? `None was found within ${why.tried} states of the switchers`
      : together.length > 1
        ? `There is no straight way: ${listWords(together)} would have to change in the same frame`
        : 'There is no straight way'
  return `${way}. ${reason}; meanwhile ${cover === 'black' ? 'black' : 'the safe picture'} is seen.`
}

/** A step of a macro in words: "wait 25 frames", "Main to 7". */
export function stepWords(traced: Traced, { at }: Macro, step: MacroStep): string {
  if (step.do === 'wait')
    return step.until
      ? `wait for the end of the ${step.until}`
      : step.ms === undefined
        ? `wait ${step.frames} ${step.frames === 1 ? 'frame' : 'frames'}`
        : `wait ${step.ms}\u00A0ms`
  if (step.do === 'play') {
    const clip = own(traced.plan.clips, step.clip)
    return clip ? eventWords(traced, clip.player, { clip: step.clip! }) : `play ${step.clip}`
  }
  return commandWords(traced, step.at ?? at, commandOf(step)!)
}

/** "Opening: opens", "Opening: Trailer": the states of the show, in its order. */
export const momentTitles = (traced: Traced): string[] =>
  momentsOf(traced).map(({ segment, cue }) =>
    segment === undefined
      ? 'as it stands'
      : `${traced.plan.segments[segment]!.title}: ${cue === undefined ? 'opens' : traced.plan.cues[cue]!.title}`,
  )
