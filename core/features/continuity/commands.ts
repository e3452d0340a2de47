import { hitMoments } from './moments'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { own, type Plan } from '#core/document'
import { Unusable, type Command } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { moneyText } from '#core/words'
import { singlePoints } from './facts'
import { placesOf, protectionsOf, whatIf, type Loss, type LossEffect } from './loss'

/** Throws on what the plan does not have. */
function lossNamed(plan: Plan, id: string): Loss {
  if (own(plan.devices, id)) return { of: 'device', id }
  if (own(plan.links, id)) return { of: 'link', id }
  if (placesOf(plan).includes(id)) return { of: 'place', id }
  if (own(plan.circuits, id)) return { of: 'circuit', id }
  if (protectionsOf(plan).includes(id)) return { of: 'protection', id }
  if (id === 'mains') return { of: 'power', id }
  if (id === 'radio') return { of: 'radio', id }
  const there = [
    ...Object.keys(plan.devices),
    ...Object.keys(plan.links),
    ...placesOf(plan),
    ...Object.keys(plan.circuits),
    ...protectionsOf(plan),
    'mains',
    'radio',
  ]
  throw new Unusable(`no device, link or place ${id}; there are ${there.join(', ')}`)
}

function spareWords({ inKit, spareMinor, loss: { of } }: LossEffect, currency: string): string {
  if (of !== 'device' && of !== 'link') return 'together'
  return inKit ? 'a spare is in the kit' : `a spare costs ${moneyText(spareMinor, currency)}`
}

function pointsText(context: CommandContext, currency: string): string {
  const lines = singlePoints(context.checked).flatMap(({ sinks, things }) => [
    sinks.map(({ name }) => name).join(', '),
    ...things.map(thing => `    ${thing.name} (${spareWords(thing, currency)})`),
  ])
  return lines.join('\n') || 'No picture arrives at a sink, so nothing can darken one.'
}

const keptText = (minutes: number): string => (minutes > 600 ? 'many hours' : `${Math.floor(minutes)}\u00A0min`)

function effectText(effect: LossEffect, currency: string): string {
  const dark = effect.sinks.map(({ name, feed }) => (feed ? `${name} (${feed})` : name)).join(', ')
  return [
    `Without ${effect.name} (${effect.kind}; ${spareWords(effect, currency)}):`,
    `  dark: ${dark || 'nothing'}`,
    ...(effect.sources.length ? [`  lost: ${effect.sources.join(', ')}`] : []),
    ...effect.kept.map(
      ({ name, minutes, devices }) => `  kept for ${keptText(minutes)} by ${name}: ${devices.join(', ')}`,
    ),
    ...(effect.silent.length ? [`  silent: ${effect.silent.join(', ')}`] : []),
    ...(effect.uncontrolled.length ? [`  without control: ${effect.uncontrolled.join(', ')}`] : []),
    ...effect.still.map(
      ({ name, sources, sinks }) =>
        `  ${name} still cuts between ${sources.join(', ') || 'nothing'} for ${sinks.join(', ')}`,
    ),
  ].join('\n')
}

function momentsText({ of, hit }: ReturnType<typeof hitMoments>): string[] {
  if (of === 0) return []
  return [
    `  moments of the running order that miss something: ${hit.length} of ${of}`,
    ...hit.map(
      ({ segment, title, sinks }) =>
        `    ${segment}, ${title}: ${sinks.map(({ name, dark, without, silent }) => `${name} ${[dark ? 'dark' : without.length ? `without ${without.join(', ')}` : '', silent ? 'silent' : ''].filter(Boolean).join(' and ')}`).join('; ')}`,
    ),
  ]
}

/** As it has always been printed: scripts read the key `stage`. */
const effectJson = ({ still, ...effect }: LossEffect): object => ({
  ...effect,
  still: still.map(({ switcher, ...entry }) => ({ stage: switcher, ...entry })),
})

const pointsJson = (checked: CommandContext['checked']): object[] =>
  singlePoints(checked).map(({ things, ...point }) => ({ ...point, things: things.map(effectJson) }))

const whatif: Command<CommandContext> = {
  name: 'whatif',
  about:
    'says what goes dark when the device or link ID fails, all at the place ID, the circuit ID, the mains, or all radio; without ID it lists every single thing that darkens a sink.',
  options: { without: { value: 'ID' } },
  json: true,
  run: context => {
    const { checked, plan, values, json } = context
    const currency = plan.brief.currency ?? CATALOGUE_CURRENCY
    const id = values.get('without')
    if (id === undefined)
      return {
        out: json ? JSON.stringify(pointsJson(checked), null, 2) : pointsText(context, currency),
        exit: 0,
      }
    const loss = lossNamed(plan, id)
    const effect = whatIf(checked, loss)
    const moments = hitMoments(checked.traced, loss)
    return {
      out: json
        ? JSON.stringify({ ...effectJson(effect), moments: moments.hit }, null, 2)
        : [effectText(effect, currency), ...momentsText(moments)].join('\n'),
      exit: 0,
    }
  },
}

export const COMMANDS = [whatif]
