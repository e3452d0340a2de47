import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type KitLine, type Traced, kitLines } from '#core/chain'
import { powered, showMinutes } from '#core/document'
import { fact } from '#core/kernel'
import type { Service } from './collection'
import { workOf } from './work'

/** The steps from what is owned to what the show costs, in their order. */
export const STEPS = ['owned', 'hired', 'bought', 'missing', 'services', 'crew'] as const
export type Step = (typeof STEPS)[number]

export interface CostLine {
  readonly key: string
  readonly step: Step
  readonly title: string
  /** How the sum comes about: so many of what, at what. Of what is owned it is the worth. */
  readonly count: number
  readonly unit: string
  readonly eachMinor: number | undefined
  /** count x eachMinor, minor units; undefined where somebody has not said a figure: it is in no sum. */
  readonly minor: number | undefined
  /** What has not been said. */
  readonly lacks?: string
}

export interface Cost {
  readonly currency: string
  /** By step, the dearest first. */
  readonly lines: readonly CostLine[]
  readonly sums: Readonly<Record<Step, number>>
  /** All steps but what is owned, minor units. */
  readonly spendMinor: number
  /** With the worth of what is owned. */
  readonly wholeMinor: number
  readonly budgetMinor: number | undefined
  /** What each viewer more costs. */
  readonly perViewerMinor: number
  /** Lines of which a figure is not known. */
  readonly unknown: readonly CostLine[]
}

const named = ({ title, pieceM }: KitLine): string => (pieceM === undefined ? title : `${pieceM} m ${title}`)

function kitCosts(traced: Traced): CostLine[] {
  return kitLines(traced.plan).flatMap((line): CostLine[] => {
    const part = (step: Step, of: string, count: number, eachMinor: number): CostLine[] =>
      count > 0 && eachMinor > 0
        ? [
            {
              key: `${line.key}/${of}`,
              step,
              title: named(line),
              count,
              unit: of,
              eachMinor,
              minor: count * eachMinor,
            },
          ]
        : []
    return [
      // What lies idle on the shelf is no part of this show.
      ...part('owned', 'owned', Math.min(line.owned, line.needed), line.minor),
      ...part('hired', 'hired', line.hired, line.hireMinor),
      ...part('bought', 'bought', line.bought, line.minor),
      ...part('bought', 'second-hand', line.used, line.usedMinor),
      ...part('missing', line.item === undefined ? 'not counted' : 'missing', line.missing, line.minor),
    ]
  })
}

function goodsCosts({ plan }: Traced): CostLine[] {
  return (
    Object.entries(plan.goods)
      .sort(([, a], [, b]) => a.order - b.order)
      .map(([id, { title, count = 1, had = 'owned', eachMinor }]): CostLine => ({
        key: `goods/${id}`,
        step: had === 'used' ? 'bought' : had,
        title,
        count,
        unit: had === 'used' ? 'second-hand' : had,
        eachMinor,
        minor: eachMinor === undefined ? undefined : eachMinor * count,
        ...(eachMinor === undefined ? { lacks: had === 'hired' ? 'its hire' : 'its price' } : {}),
      }))
      // What is owned and has no worth said costs nothing: that is known.
      .filter(({ step, lacks }) => step !== 'owned' || lacks === undefined)
  )
}

/** Units that a service charges, or what is not said. */
function unitsOf({ plan }: Traced, { per, hours, viewers }: Service): { count?: number; unit: string; lacks?: string } {
  const show = showMinutes(plan.brief)
  const time = hours ?? (show === undefined ? undefined : Math.ceil(show / 60))
  const people = viewers ?? plan.brief.viewers
  const lacks = [
    ...(per.includes('hour') && time === undefined ? ['how long the show lasts'] : []),
    ...(per.includes('viewer') && people === undefined ? ['how many watch'] : []),
  ].join(' and ')
  const unit = { 'show': 'show', 'hour': 'hours', 'viewer': 'viewers', 'viewer hour': 'viewer hours' }[per]
  if (lacks) return { unit, lacks }
  return { unit, count: (per.includes('hour') ? time! : 1) * (per.includes('viewer') ? people! : 1) }
}

function serviceCosts(traced: Traced): CostLine[] {
  return Object.entries(traced.plan.services)
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id, service]): CostLine => {
      const { count, unit, lacks } = unitsOf(traced, service)
      return {
        key: `service/${id}`,
        step: 'services',
        title: service.title,
        count: count ?? 0,
        unit,
        eachMinor: service.eachMinor,
        minor: count === undefined ? undefined : count * service.eachMinor,
        ...(lacks ? { lacks } : {}),
      }
    })
}

/** Each person by the hour from the first of the building to the last of the striking, begun half hours counted whole. */
function crewCosts(traced: Traced): CostLine[] {
  const { build, strike } = workOf(traced.plan)
  const on = powered(traced.plan.brief)
  const minutes = on === undefined ? undefined : build.minutes + on.minutes + strike.minutes
  return Object.entries(traced.plan.people)
    .sort(([, a], [, b]) => a.order - b.order)
    .filter(([, { payMinor }]) => payMinor !== undefined)
    .map(([id, { name, payMinor, paidBy = 'show' }]): CostLine => {
      const hours = minutes === undefined ? undefined : Math.ceil(minutes / 30) / 2
      const count = paidBy === 'show' ? 1 : hours
      return {
        key: `person/${id}`,
        step: 'crew',
        title: name,
        count: count ?? 0,
        unit: paidBy === 'show' ? 'show' : 'hours',
        eachMinor: payMinor,
        minor: count === undefined ? undefined : Math.round(count * payMinor!),
        ...(count === undefined ? { lacks: 'how long the show lasts' } : {}),
      }
    })
}

const costFact = fact<Traced, Cost>('cost', traced => {
  const { plan } = traced
  const all = [...kitCosts(traced), ...goodsCosts(traced), ...serviceCosts(traced), ...crewCosts(traced)]
  const lines = STEPS.flatMap(step =>
    all
      .filter(line => line.step === step)
      .sort((a, b) => (b.minor ?? 0) - (a.minor ?? 0) || (a.title < b.title ? -1 : a.title > b.title ? 1 : 0)),
  )
  const sums = Object.fromEntries(
    STEPS.map(step => [
      step,
      lines.filter(line => line.step === step).reduce((sum, { minor }) => sum + (minor ?? 0), 0),
    ]),
  ) as Record<Step, number>
  const wholeMinor = STEPS.reduce((sum, step) => sum + sums[step], 0)
  return {
    currency: plan.brief.currency ?? CATALOGUE_CURRENCY,
    lines,
    sums,
    wholeMinor,
    spendMinor: wholeMinor - sums.owned,
    budgetMinor: plan.brief.budgetMinor,
    perViewerMinor: Object.values(plan.services).reduce((sum, service) => {
      if (!service.per.includes('viewer') || service.viewers !== undefined) return sum
      const { count } = unitsOf(traced, { ...service, viewers: 1 })
      return sum + (count ?? 0) * service.eachMinor
    }, 0),
    unknown: lines.filter(({ minor }) => minor === undefined),
  }
})

/** What the show costs, by step from what is owned to the whole, each line with how it comes about. */
export const costOf = (traced: Traced): Cost => traced.ask(costFact)
