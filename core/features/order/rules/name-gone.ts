import { mixOf, isFeed } from '#core/catalog'
import { type Traced, deviceName, isSwitcher, runAt, endName, pointedWords, choicesAt } from '#core/chain'
import { BLACK, EVERYWHERE, type Look, type Macro, type MacroStep, OFF, own } from '#core/document'
import { type Anchor, type Quantity, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

interface Gone {
  readonly at: Anchor
  /** The look, cue or segment that names it. */
  readonly who: string
  /** What is named, in words. */
  readonly what: string
  readonly mend: (draft: Draft) => void
  readonly says?: 'gone' | 'uncarried'
}

export const nameGone = rule({
  code: 'N13',
  about:
    'A look, a cue, a segment, a macro or an overlay names an input, a keyer, an overlay, a picture, a clip or somebody that the plan no longer has.',
  messages: {
    unheld: {
      severity: 'D',
      says: '{macro} is to stand in {switcher}, which holds {count}: it is a button of a controller, or nothing.',
    },
    undone: {
      severity: 'D',
      says: '{macro} asks {what} of {switcher}, which does not do that: the step is refused.',
    },
    uncarried: { severity: 'D', says: '{who} asks for {what}, which that output cannot carry: it stays as it is set.' },
    gone: { severity: 'D', says: '{who} names {what}, which the plan no longer has: that part of it cannot be done.' },
  },
  find: (traced, say) => {
    const first = new Map<string, ReturnType<typeof say>>()
    for (const { at, who, what, says = 'gone' } of named(traced)) {
      const key = JSON.stringify(at)
      const words: Record<'who' | 'what', Quantity> = { who: text(who), what: text(what) }
      if (!first.has(key))
        first.set(key, say(says, at, words, at.on === 'device' ? runAt(traced, at.device) : undefined))
    }
    const kept = unheld(traced).map(({ id, title, at, count }) =>
      say(
        'unheld',
        { on: 'macro', macro: id },
        {
          macro: text(title),
          switcher: text(deviceName(traced, at)),
          count: text(count === 0 ? 'no macros' : `${count} macros`),
        },
      ),
    )
    const refused = undone(traced).map(({ id, title, at, what }) =>
      say(
        'undone',
        { on: 'macro', macro: id },
        { macro: text(title), what: text(what), switcher: text(deviceName(traced, at)) },
      ),
    )
    return [...first.values(), ...kept, ...refused]
  },
  remedies: (traced, { at }): Proposal[] => {
    const draft = new Draft(traced.plan)
    const mine = named(traced).filter(one => JSON.stringify(one.at) === JSON.stringify(at))
    for (const { mend } of mine) mend(draft)
    const [one] = mine
    if (!one && at.on === 'macro') return [...within(traced, at.macro), ...elsewhere(traced, at.macro)]
    return one ? [{ title: `Take ${one.what} out of ${one.who}`.slice(0, 120), edits: draft.edits }] : []
  },
})

/** Macros for which their switcher has no room. */
function unheld({ plan, chain }: Traced): { id: string; title: string; at: string; count: number }[] {
  const held = new Map<string, number>()
  return Object.entries(plan.macros)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .flatMap(([id, { title, at }]) => {
      const node = chain.nodes.get(at)
      if (!node || !isSwitcher(node)) return []
      const count = mixOf(node.model)?.macros
      held.set(at, (held.get(at) ?? 0) + 1)
      return count !== undefined && held.get(at)! > count ? [{ id, title, at, count }] : []
    })
}

/** What a model does not do of a step: a transition of its kind or length, a fade to black, a feed at an output. */
function beyond(traced: Traced, holder: string, step: MacroStep): string | undefined {
  const node = traced.chain.nodes.get(step.at ?? holder)
  const mix = node && mixOf(node.model)
  if (!mix) return undefined
  if (step.do === 'fade' && !mix.fadeToBlack) return 'a fade to black'
  if (step.do === 'output' && !choicesAt(node, step.port!).includes(step.feed!))
    return `${pointedWords(node, step.feed!)} at ${endName(traced, { device: node.id, port: step.port! })}`
  if (step.do !== 'auto') return undefined
  if (!mix.transitions.includes(step.style!)) return `a ${step.style}`
  return step.frames! > mix.longest ? `a ${step.style} of ${step.frames} frames` : undefined
}

/** Macros with such a step; the first of each. */
const undone = (traced: Traced): { id: string; title: string; at: string; what: string }[] =>
  Object.entries(traced.plan.macros).flatMap(([id, { title, at, steps }]) => {
    const step = steps.find(one => beyond(traced, at, one) !== undefined)
    return step ? [{ id, title, at: step.at ?? at, what: beyond(traced, at, step)! }] : []
  })

/** Its steps as far as the models do them: transitions no longer than they can be, the rest left out. */
function within(traced: Traced, id: string): Proposal[] {
  const { title, at, steps } = traced.plan.macros[id]!
  const next = steps.flatMap((step): MacroStep[] => {
    if (beyond(traced, at, step) === undefined) return [step]
    const mix = mixOf(traced.chain.nodes.get(step.at ?? at)!.model)!
    return step.do === 'auto' && mix.transitions.includes(step.style!) ? [{ ...step, frames: mix.longest }] : []
  })
  if (next.length === 0 || JSON.stringify(next) === JSON.stringify(steps)) return []
  const draft = new Draft(traced.plan)
  draft.set(['macros', id, 'steps'], next)
  return [{ title: `Keep ${title} to what they can do`.slice(0, 120), edits: draft.edits }]
}

/** As a button of a controller or computer that is there; or not at all. */
function elsewhere(traced: Traced, id: string): Proposal[] {
  const macro = traced.plan.macros[id]!
  const holders = [...traced.chain.nodes.values()].filter(
    ({ model }) => model.role === 'control' || (model.kind === 'computer' && !model.mix),
  )
  const gone = new Draft(traced.plan)
  gone.edits.push({ do: 'remove', collection: 'macros', id })
  return [
    ...holders.slice(0, 3).map(({ id: holder, device }): Proposal => {
      const draft = new Draft(traced.plan)
      draft.set(['macros', id, 'at'], holder)
      draft.set(
        ['macros', id, 'steps'],
        macro.steps.map(step =>
          step.do === 'wait' || step.do === 'play' ? step : { ...step, at: step.at ?? macro.at },
        ),
      )
      return { title: `Make ${macro.title} a button of ${device.name}`.slice(0, 120), edits: draft.edits }
    }),
    { title: `Remove ${macro.title}`.slice(0, 120), edits: gone.edits },
  ]
}

const inOverlays = ({ plan }: Traced): Gone[] =>
  Object.entries(plan.overlays).flatMap(([id, { title, graphic, over, drawnOn }]): Gone[] => {
    const at = { on: 'overlay', overlay: id } as const
    const gone = (
      field: 'graphic' | 'over' | 'drawnOn',
      name: string | undefined,
      there: object,
      word: string,
    ): Gone[] =>
      name !== undefined && !own(there as Record<string, unknown>, name)
        ? [{ at, who: title, what: `the ${word} ${name}`, mend: draft => draft.set(['overlays', id, field]) }]
        : []
    return [
      ...gone('graphic', graphic, plan.graphics, 'picture'),
      ...gone('over', over, plan.devices, 'switcher'),
      ...gone('drawnOn', drawnOn, plan.devices, 'display'),
    ]
  })

const inClips = ({ plan }: Traced): Gone[] =>
  Object.entries(plan.clips).flatMap(([id, { title, player, medium }]): Gone[] => {
    const at = { on: 'clip', clip: id } as const
    if (!own(plan.devices, player)) {
      const mend = (draft: Draft) => draft.edits.push({ do: 'remove', collection: 'clips', id })
      return [{ at, who: title, what: `the player ${player}`, mend }]
    }
    return medium === undefined || own(plan.media, medium)
      ? []
      : [{ at, who: title, what: `the medium ${medium}`, mend: draft => draft.set(['clips', id, 'medium']) }]
  })

/** What a step of a macro names that is gone, in words. */
function goneIn({ plan, chain }: Traced, { at }: Macro, step: MacroStep): string | undefined {
  if (step.do === 'wait') return undefined
  if (step.do === 'play') return own(plan.clips, step.clip) ? undefined : `the clip ${step.clip}`
  const device = step.at ?? at
  const node = chain.nodes.get(device)
  if (!node || !isSwitcher(node)) return `the switcher ${device}`
  const { name } = node.device
  const { ports } = node.model
  if (step.input !== undefined && step.input !== BLACK && own(ports, step.input)?.dir !== 'in')
    return `the input ${step.input} of ${name}`
  if (step.port !== undefined && own(ports, step.port)?.dir !== 'out') return `the output ${step.port} of ${name}`
  if (step.feed !== undefined && !isFeed(step.feed) && own(ports, step.feed)?.dir !== 'in')
    return `the input ${step.feed} of ${name}`
  const keyers = mixOf(node.model)?.keyers
  if (step.keyer !== undefined && keyers && Number(step.keyer) > keyers.length) return `keyer ${step.keyer} of ${name}`
  if (step.overlay !== undefined && step.overlay !== OFF && !own(plan.overlays, step.overlay))
    return `the overlay ${step.overlay}`
  return undefined
}

/** A macro without the steps that cannot be done; without any, it goes. */
function inMacros(traced: Traced): Gone[] {
  const { plan } = traced
  return Object.entries(plan.macros).flatMap(([id, macro]): Gone[] => {
    const at = { on: 'macro', macro: id } as const
    const remove = (draft: Draft) => draft.edits.push({ do: 'remove', collection: 'macros', id })
    if (!own(plan.devices, macro.at)) return [{ at, who: macro.title, what: `the device ${macro.at}`, mend: remove }]
    const source: Gone[] =
      macro.shows !== undefined && !own(plan.devices, macro.shows)
        ? [
            {
              at,
              who: macro.title,
              what: `the source ${macro.shows}`,
              mend: draft => draft.set(['macros', id, 'shows']),
            },
          ]
        : []
    const bad = macro.steps.flatMap((step, i) => {
      const what = goneIn(traced, macro, step)
      return what === undefined ? [] : [{ i, what }]
    })
    const left = macro.steps.filter((_, i) => !bad.some(one => one.i === i))
    const steps: Gone[] = bad.slice(0, 1).map(({ what }) => ({
      at,
      who: macro.title,
      what,
      mend: left.some(step => step.do !== 'wait') ? draft => draft.set(['macros', id, 'steps'], left) : remove,
    }))
    return [...steps, ...source]
  })
}

const inLamps = ({ plan }: Traced): Gone[] =>
  Object.entries(plan.devices).flatMap(([id, { name, tally }]): Gone[] =>
    tally === undefined || tally === EVERYWHERE || own(plan.devices, tally)
      ? []
      : [
          {
            at: { on: 'device', device: id },
            who: `the lamp of ${name}`,
            what: `the switcher ${tally}`,
            mend: draft => draft.set(['devices', id, 'tally'], EVERYWHERE),
          },
        ],
  )

function named(traced: Traced): Gone[] {
  const { plan } = traced
  return [
    ...Object.entries(plan.looks).flatMap(([id, look]) => inLook(traced, id, look)),
    ...Object.entries(plan.cues).flatMap(([id, cue]): Gone[] => {
      const at = { on: 'cue', cue: id } as const
      const gone = (field: 'look' | 'clip' | 'macro' | 'by' | 'back', there: object, word: string): Gone[] =>
        cue[field] !== undefined && !own(there as Record<string, unknown>, cue[field])
          ? [{ at, who: cue.title, what: `the ${word} ${cue[field]}`, mend: draft => draft.set(['cues', id, field]) }]
          : []
      const placed: Gone[] = own(plan.segments, cue.segment)
        ? []
        : [
            {
              at,
              who: cue.title,
              what: `the segment ${cue.segment}`,
              mend: draft => draft.edits.push({ do: 'remove', collection: 'cues', id }),
            },
          ]
      return placed.length
        ? placed
        : [
            ...gone('look', plan.looks, 'look'),
            ...gone('clip', plan.clips, 'clip'),
            ...gone('macro', plan.macros, 'macro'),
            ...gone('by', plan.people, 'person'),
            ...gone('back', plan.cues, 'cue'),
          ]
    }),
    ...inOverlays(traced),
    ...Object.entries(plan.segments).flatMap(([id, { title, opens, work }]): Gone[] => {
      const at = { on: 'segment', id } as const
      return [
        ...(opens !== undefined && !own(plan.looks, opens)
          ? [
              {
                at,
                who: title,
                what: `the look ${opens}`,
                mend: (draft: Draft) => draft.set(['segments', id, 'opens']),
              },
            ]
          : []),
        ...Object.entries(work ?? {}).flatMap(([person, devices]): Gone[] => {
          if (!own(plan.people, person))
            return [
              {
                at,
                who: title,
                what: `the person ${person}`,
                mend: draft => draft.set(['segments', id, 'work', person]),
              },
            ]
          const left = devices.filter(device => own(plan.devices, device))
          return left.length < devices.length
            ? [
                {
                  at,
                  who: title,
                  what: `the device ${devices.find(device => !own(plan.devices, device))}`,
                  mend: draft => draft.set(['segments', id, 'work', person], left.length ? left : undefined),
                },
              ]
            : []
        }),
      ]
    }),
    ...inClips(traced),
    ...inMacros(traced),
    ...inLamps(traced),
  ]
}

function inLook(traced: Traced, id: string, look: Look): Gone[] {
  const { plan, chain } = traced
  const found: Gone[] = []
  const tell = (what: string, mend: Gone['mend'], says: Gone['says'] = 'gone') =>
    found.push({ at: { on: 'look', look: id }, who: look.title, what, mend, says })
  const mixer = (device: string) => {
    const node = chain.nodes.get(device)
    return node && isSwitcher(node) ? node : undefined
  }
  for (const field of ['program', 'preview'] as const)
    for (const [device, port] of Object.entries(look[field] ?? {})) {
      const there = mixer(device)
      if (!there) tell(`the switcher ${device}`, draft => draft.set(['looks', id, field, device]))
      else if (port !== BLACK && own(there.model.ports, port)?.dir !== 'in')
        tell(`the input ${port} of ${there.device.name}`, draft => draft.set(['looks', id, field, device]))
    }
  for (const [device, keys] of Object.entries(look.keys ?? {})) {
    const there = mixer(device)
    if (!there) {
      tell(`the switcher ${device}`, draft => draft.set(['looks', id, 'keys', device]))
      continue
    }
    const keyers = mixOf(there.model)?.keyers
    for (const [number, overlay] of Object.entries(keys)) {
      const off = () => (draft: Draft) => draft.set(['looks', id, 'keys', device, number])
      if (keyers && !(Number(number) >= 1 && Number(number) <= keyers.length))
        tell(`keyer ${number} of ${there.device.name}`, off())
      else if (overlay !== OFF && !own(plan.overlays, overlay)) tell(`the overlay ${overlay}`, off())
    }
  }
  for (const [device] of Object.entries(look.faded ?? {}))
    if (!mixer(device)) tell(`the switcher ${device}`, draft => draft.set(['looks', id, 'faded', device]))
  for (const [field, dir] of [
    ['outputs', 'out'],
    ['sound', 'in'],
  ] as const)
    for (const [device, ports] of Object.entries(look[field] ?? {})) {
      const there = chain.nodes.get(device)
      if (!there) tell(`the device ${device}`, draft => draft.set(['looks', id, field, device]))
      else
        for (const [port, pointed] of Object.entries(ports)) {
          const mend = (draft: Draft) => draft.set(['looks', id, field, device, port])
          if (own(there.model.ports, port)?.dir !== dir)
            tell(`the ${dir === 'in' ? 'input' : 'output'} ${port} of ${there.device.name}`, mend)
          else if (field === 'outputs' && !choicesAt(there, port).includes(pointed))
            tell(`${pointedWords(there, pointed)} at ${endName(traced, { device, port })}`, mend, 'uncarried')
        }
    }
  for (const [device, ports] of Object.entries(look.layouts ?? {})) {
    const there = chain.nodes.get(device)
    if (!there) tell(`the source ${device}`, draft => draft.set(['looks', id, 'layouts', device]))
    else
      for (const port of Object.keys(ports))
        if (own(there.model.ports, port)?.dir !== 'out')
          tell(`the output ${port} of ${there.device.name}`, draft => draft.set(['looks', id, 'layouts', device, port]))
  }
  for (const field of ['contents', 'presets'] as const)
    for (const device of Object.keys(look[field] ?? {}))
      if (!own(plan.devices, device)) tell(`the source ${device}`, draft => draft.set(['looks', id, field, device]))
  return found
}
