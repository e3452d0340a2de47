import { mixOf } from '#core/catalog'
import { type Traced, isSwitcher } from '#core/chain'
import { BLACK, type LinkEnd, type Look, OFF, type Want, own, type Content } from '#core/document'
import { TICKS_PER_MS, TICKS_PER_S } from './clock'
import { pictureAt } from './compose'
import type { Command } from './machine'
import type { Happening } from './happening'
import type { Rehearsal } from './rehearsal'
import { type ShowState, taken } from './state'
import { type Load, loaded, loadsBetween } from './stores'

/** One thing that must become otherwise, as a patch of the chain, and what is done for it. */
interface Act {
  readonly device: string
  readonly patch: Omit<Look, 'title' | 'order'>
  readonly command: Command | undefined
  readonly content?: Content
  readonly port?: string
  /** A camera that goes to a position: nobody may see it on the way. */
  readonly preset?: string
  /** A still that is loaded: nobody may see its store meanwhile. */
  readonly load?: Load
}

export interface TakeStep {
  readonly device: string
  /** Acts of one switcher that are seen in one frame, or what a source is to show. */
  readonly happenings: readonly (
    | Omit<Extract<Happening, { command: Command }>, 'tick'>
    | Omit<Extract<Happening, { content: string }>, 'tick'>
    | Omit<Extract<Happening, { camera: 'moves' }>, 'tick'>
  )[]
  /** How the chain stands after it. */
  readonly state: ShowState
  /** Sinks that change with it. */
  readonly changes: readonly string[]
}

export interface Take {
  /** `clean`: every sink goes from the old picture to the new one and shows nothing else. `detour`: by a picture between. */
  readonly kind: 'clean' | 'detour' | 'nothing'
  readonly steps: readonly TakeStep[]
  readonly presses: number
  /** What is seen on the way of a detour: an input, or black. */
  readonly cover?: string
  /** Of a detour: what was found out about straight ways. */
  readonly why?: Why
}

/** That there is no straight way: every state was tried; or so many, and none was found. */
export interface Why {
  readonly tried: 'all' | number
  /** Devices that would have to change in one frame, which happens inside one switcher alone. */
  readonly together: readonly string[]
}

/** A sink whose pictures somebody watches or keeps: by the input that is fed. */
export function judgedSinks({ plan, runs }: Traced): LinkEnd[] {
  const isInner = ({ feed }: Want) => feed === 'multiview' || feed === 'preview'
  return Object.values(plan.wants)
    .filter(want => !isInner(want))
    .flatMap(({ sink }) => runs.find(({ beside, lit, end }) => !beside && lit && end?.device === sink)?.end ?? [])
}

const treesOf = (traced: Traced, sinks: readonly LinkEnd[], state: ShowState): string[] =>
  sinks.map(end => JSON.stringify(pictureAt(traced, state, end)))

/** What two states differ in, act by act, and what must be loaded for the second. */
function actsBetween(traced: Traced, old: ShowState, next: ShowState): Act[] {
  const acts: Act[] = loadsBetween(traced, old, next).map(load => ({
    device: load.device,
    patch: {},
    command: { do: 'load', store: load.store, overlay: load.overlay },
    load,
  }))
  for (const [device, mix] of Object.entries(next.mixers)) {
    const was = own(old.mixers, device)
    if (!was) continue
    if (mix.program !== was.program && mix.program !== undefined)
      acts.push({
        device,
        patch: { program: { [device]: mix.program } },
        command: { do: 'program', input: mix.program },
      })
    for (const keyer of new Set([...Object.keys(mix.keys), ...Object.keys(was.keys)])) {
      const overlay = own(mix.keys, keyer)
      if (overlay !== own(was.keys, keyer))
        acts.push({
          device,
          patch: { keys: { [device]: { [keyer]: overlay ?? OFF } } },
          command: { do: 'key', keyer, overlay },
        })
    }
    if (mix.faded !== was.faded)
      acts.push({
        device,
        patch: { faded: { [device]: mix.faded } },
        command: { do: 'fade', to: mix.faded, frames: 1 },
      })
    for (const [port, feed] of Object.entries(own(next.outputs, device) ?? {}))
      if (feed !== own(own(old.outputs, device), port))
        acts.push({ device, patch: { outputs: { [device]: { [port]: feed } } }, command: { do: 'output', port, feed } })
  }
  acts.push(...pagesBetween(old.contents, next.contents))
  for (const [device, preset] of Object.entries(next.presets))
    if (preset !== own(old.presets, device))
      acts.push({ device, patch: { presets: { [device]: preset } }, command: undefined, preset })
  return acts.filter(({ device }) => traced.chain.nodes.has(device))
}

/** Pages that change: of a whole source before those of its outputs, which go before. */
function pagesBetween(old: ShowState['contents'], next: ShowState['contents']): Act[] {
  const whole = Object.entries(next).flatMap(([device, content]): Act[] =>
    device.includes('/') || content === own(old, device)
      ? []
      : [{ device, patch: { contents: { [device]: content } }, command: undefined, content }],
  )
  const afresh = new Set(whole.map(({ device }) => device))
  const single = Object.entries(next).flatMap(([key, content]): Act[] => {
    const [device, port] = key.split('/') as [string, string | undefined]
    if (port === undefined || (content === own(old, key) && !afresh.has(device))) return []
    return [{ device, port, patch: { layouts: { [device]: { [port]: content } } }, command: undefined, content }]
  })
  // An output of which nothing is said any more shows what its source does.
  const back = Object.keys(old).flatMap((key): Act[] => {
    const [device, port] = key.split('/') as [string, string | undefined]
    const content = own(next, device)
    if (port === undefined || own(next, key) !== undefined || content === undefined || afresh.has(device)) return []
    afresh.add(device)
    return [{ device, patch: { contents: { [device]: content } }, command: undefined, content }]
  })
  return [...whole, ...back, ...single]
}

const applied = (traced: Traced, state: ShowState, acts: readonly Act[]): ShowState =>
  acts.reduce(
    (now, { patch, load }) => (load ? loaded(traced, now, [load]) : taken(now, { title: '', order: 0, ...patch })),
    state,
  )

/** The most acts whose every order is tried; above it, the acts of one device go together. */
const MOST_ACTS = 12

/**
 * The steps that lead from one settled state to another so that every judged sink goes from its old picture straight to
 * its new one: each step is seen in one frame of one switcher, and the next follows when it has arrived everywhere. The
 * fewest steps; where no order is clean, by a picture between that the last switchers hold meanwhile.
 */
export function planTake(traced: Traced, old: ShowState, next: ShowState): Take {
  const acts = actsBetween(traced, old, next)
  const heard = soundsBetween(traced, old, next)
  if (acts.length === 0)
    return heard.length ? opened(traced, old, [], heard, 'clean') : { kind: 'nothing', steps: [], presses: 0 }
  const sinks = judgedSinks(traced)
  const [from, to] = [treesOf(traced, sinks, old), treesOf(traced, sinks, applied(traced, old, acts))]
  const order = clean(traced, old, acts, sinks, from, to)
  if (order) return opened(traced, old, order, heard, 'clean')
  const { way, tried } = roundabout({ traced, old, next, acts, sinks, from, to })
  if (way) return opened(traced, old, way, heard, 'clean')
  return {
    ...detour(traced, old, next, sinks, heard),
    why: { tried, together: togetherOf(traced, old, acts, sinks, from, to) },
  }
}

/** Inputs of sound that must be opened otherwise. Nobody sees that, so it goes with the last press on the same switcher. */
function soundsBetween(traced: Traced, old: ShowState, next: ShowState): Act[] {
  return Object.entries(next.sound).flatMap(([device, ports]) =>
    traced.chain.nodes.has(device) && own(next.mixers, device)
      ? Object.entries(ports).flatMap(([port, opening]): Act[] =>
          opening === own(own(old.sound, device), port)
            ? []
            : [
                {
                  device,
                  patch: { sound: { [device]: { [port]: opening } } },
                  command: { do: 'sound', port, opening },
                },
              ],
        )
      : [],
  )
}

/** The steps, with what is opened and shut for the ear: in the last step of its switcher, or in one of its own at the end. */
function opened(
  traced: Traced,
  old: ShowState,
  steps: readonly (readonly Act[])[],
  heard: readonly Act[],
  kind: 'clean' | 'detour',
  cover?: string,
): Take {
  const all = steps.map(acts => [...acts])
  for (const act of heard) {
    const mine = all.findLast(acts => acts[0]!.device === act.device && !acts.some(isMove))
    if (mine) mine.push(act)
    else all.push([act])
  }
  return told(kind, traced, old, judgedSinks(traced), all, cover)
}

interface Task {
  readonly traced: Traced
  readonly old: ShowState
  readonly next: ShowState
  readonly acts: readonly Act[]
  readonly sinks: readonly LinkEnd[]
  readonly from: readonly string[]
  readonly to: readonly string[]
}

/** The most changes that are looked at for a way by pictures that neither the old look nor the new one asks for. */
const MOST_TRIES = 6000

/**
 * The fewest presses over all settled states that the switchers can be in: a feeder may stand on another input meanwhile,
 * where nobody sees it. `tried` is `all` where every state that can be reached cleanly was looked at.
 */
function roundabout({ traced, old, acts, sinks, from, to }: Task): {
  readonly way?: readonly (readonly Act[])[]
  readonly tried: Why['tried']
} {
  const moves = movesOf(traced, old, acts)
  const goal = keyOf(applied(traced, old, acts))
  const open: { state: ShowState; presses: number; way: readonly (readonly Act[])[]; trees: readonly string[] }[] = [
    { state: old, presses: 0, way: [], trees: from },
  ]
  const best = new Map([[keyOf(old), 0]])
  let tries = 0
  const allowed = (before: readonly string[], after: readonly string[], moving: boolean) =>
    sinks.every((_, i) => after[i] === before[i] || (!moving && before[i] === from[i] && after[i] === to[i]))
  for (let at = open.shift(); at; at = open.shift()) {
    const here = keyOf(at.state)
    if (here === goal) return { way: at.way, tried: 'all' }
    if (best.get(here)! < at.presses) continue
    if (tries > MOST_TRIES) return { tried: best.size }
    for (const move of moves) {
      const state = applied(traced, at.state, move)
      const key = keyOf(state)
      const presses = at.presses + move.length
      if (key === here || (best.get(key) ?? Infinity) <= presses) continue
      tries++
      const trees = treesOf(traced, sinks, state)
      if (!allowed(at.trees, trees, move.some(isMove))) continue
      best.set(key, presses)
      const place = open.findIndex(one => one.presses > presses)
      const one = { state, presses, way: [...at.way, move], trees }
      if (place < 0) open.push(one)
      else open.splice(place, 0, one)
    }
  }
  return { tried: 'all' }
}

/** Takes its time, and nobody may see it meanwhile. */
const isMove = ({ preset, load }: Act): boolean => preset !== undefined || load !== undefined

const keyOf = ({ mixers, outputs, contents, presets }: ShowState): string =>
  JSON.stringify([
    Object.entries(mixers).map(([id, { program, keys, faded, stores }]) => [
      id,
      program,
      Object.entries(keys).sort(),
      faded,
      stores,
    ]),
    outputs,
    contents,
    presets,
  ])

/** Every set of presses of one device: each thing that differs to either of its values, and program to any lit input. */
function movesOf(traced: Traced, old: ShowState, acts: readonly Act[]): Act[][] {
  const back = acts.map((act): Act[] => {
    const was = undone(old, act)
    return was ? [act, was] : [act]
  })
  const devices = [...new Set([...Object.keys(old.mixers), ...acts.map(({ device }) => device)])]
  return devices.flatMap(device => {
    const changes = back.filter(([act]) => act!.device === device && act!.patch.program === undefined)
    const programs = own(old.mixers, device)
      ? traced.runs.flatMap(({ beside, lit, end }): Act[] =>
          !beside && lit && end?.device === device
            ? [
                {
                  device,
                  patch: { program: { [device]: end.port } },
                  command: { do: 'program', input: end.port },
                },
              ]
            : [],
        )
      : []
    const choices: (readonly (Act | undefined)[])[] = changes.slice(0, 4).map(two => [undefined, ...two])
    const sets = [[undefined, ...programs], ...choices].reduce<Act[][]>(
      (all, one) => all.flatMap(set => one.map(act => (act ? [...set, act] : set))),
      [[]],
    )
    return sets.filter(set => set.length > 0)
  })
}

/** What takes an act back to how it was. */
function undone(old: ShowState, { device, command }: Act): Act | undefined {
  const was = own(old.mixers, device)
  if (!was || command?.do !== 'key') return undefined
  const overlay = own(was.keys, command.keyer)
  return {
    device,
    patch: { keys: { [device]: { [command.keyer]: overlay ?? OFF } } },
    command: { do: 'key', keyer: command.keyer, overlay },
  }
}

/** Devices of which each alone shows somebody a wrong picture, while all together show none. */
function togetherOf(
  traced: Traced,
  old: ShowState,
  acts: readonly Act[],
  sinks: readonly LinkEnd[],
  from: readonly string[],
  to: readonly string[],
): string[] {
  const devices = [...new Set(acts.map(({ device }) => device))]
  return devices.filter(device => {
    const trees = treesOf(
      traced,
      sinks,
      applied(
        traced,
        old,
        acts.filter(act => act.device === device),
      ),
    )
    return trees.some((tree, i) => tree !== from[i] && tree !== to[i])
  })
}

/** Breadth first over the sets of acts that are done; undefined where no order is clean. */
function clean(
  traced: Traced,
  old: ShowState,
  acts: readonly Act[],
  sinks: readonly LinkEnd[],
  from: readonly string[],
  to: readonly string[],
): Act[][] | undefined {
  const whole = (1 << acts.length) - 1
  const groups = groupsOf(acts)
  const trees = new Map<number, readonly string[]>()
  const seenAt = (mask: number) => {
    const known = trees.get(mask)
    if (known) return known
    const made = treesOf(
      traced,
      sinks,
      applied(
        traced,
        old,
        acts.filter((_, i) => mask & (1 << i)),
      ),
    )
    trees.set(mask, made)
    return made
  }
  const moves = acts.reduce((mask, act, i) => (isMove(act) ? mask | (1 << i) : mask), 0)
  // A camera that goes to its place is seen by nobody; all else may bring the new picture.
  const allowed = (before: readonly string[], after: readonly string[], moving: boolean) =>
    sinks.every((_, i) => after[i] === before[i] || (!moving && before[i] === from[i] && after[i] === to[i]))
  const came = new Map<number, { from: number; group: number }>([[0, { from: -1, group: 0 }]])
  const queue = [0]
  for (let mask = queue.shift(); mask !== undefined; mask = queue.shift()) {
    if (mask === whole) {
      const steps: Act[][] = []
      for (let at = mask; at !== 0; at = came.get(at)!.from)
        steps.unshift(acts.filter((_, i) => came.get(at)!.group & (1 << i)))
      return steps
    }
    for (const group of groups) {
      const now = group & ~mask
      const after = mask | now
      if (now === 0 || came.has(after) || !allowed(seenAt(mask), seenAt(after), (now & moves) !== 0)) continue
      came.set(after, { from: mask, group: now })
      queue.push(after)
    }
  }
  return undefined
}

/** Sets of acts of one device: all together first, then every part of them. */
function groupsOf(acts: readonly Act[]): number[] {
  const byDevice = new Map<string, number[]>()
  acts.forEach(({ device }, i) => byDevice.set(device, [...(byDevice.get(device) ?? []), i]))
  return [...byDevice.values()].flatMap(mine => {
    const all = mine.reduce((mask, i) => mask | (1 << i), 0)
    if (acts.length > MOST_ACTS || mine.length > 6) return [all]
    const parts: number[] = []
    for (let part = all; part > 0; part = (part - 1) & all) parts.push(part)
    return parts
  })
}

function told(
  kind: Take['kind'],
  traced: Traced,
  old: ShowState,
  sinks: readonly LinkEnd[],
  steps: readonly (readonly Act[])[],
  cover?: string,
): Take {
  let state = old
  const list = steps.map((acts): TakeStep => {
    const before = treesOf(traced, sinks, state)
    state = applied(traced, state, acts)
    const after = treesOf(traced, sinks, state)
    const { device } = acts[0]!
    const commands = acts.flatMap(({ command }) => command ?? [])
    return {
      device,
      happenings: [
        ...(commands.length
          ? [{ device, command: commands.length === 1 ? commands[0]! : { do: 'all' as const, commands } }]
          : []),
        ...acts.flatMap(({ content, port }) =>
          content ? [{ device, content, ...(port === undefined ? {} : { port }) }] : [],
        ),
        ...acts.flatMap(({ preset }) => (preset === undefined ? [] : [{ device, camera: 'moves' as const, preset }])),
      ],
      state,
      changes: [...new Set(sinks.filter((_, i) => before[i] !== after[i]).map(end => end.device))],
    }
  })
  return {
    kind,
    steps: list,
    presses: steps.reduce((sum, acts) => sum + acts.length, 0),
    ...(cover === undefined ? {} : { cover }),
  }
}

/** The switchers that sinks hang on hold a picture that needs no feeder, then all else changes, then they go on. */
function detour(
  traced: Traced,
  old: ShowState,
  next: ShowState,
  sinks: readonly LinkEnd[],
  heard: readonly Act[],
): Take {
  const last = new Set(
    sinks.flatMap(end => {
      const origin = traced.runs.find(
        run => !run.beside && run.end?.device === end.device && run.end.port === end.port,
      )?.origin
      const node = origin && traced.chain.nodes.get(origin.device)
      return node && isSwitcher(node) ? [node.id] : []
    }),
  )
  const covers = [...last].map((device): Act => {
    const input = coverOf(traced, device)
    const keys = Object.fromEntries(Object.keys(own(old.mixers, device)!.keys).map(keyer => [keyer, OFF]))
    const commands: Command[] = [
      { do: 'program', input },
      ...Object.keys(keys).map((keyer): Command => ({ do: 'key', keyer, overlay: undefined })),
    ]
    return {
      device,
      patch: { program: { [device]: input }, ...(Object.keys(keys).length ? { keys: { [device]: keys } } : {}) },
      command: { do: 'all', commands },
    }
  })
  const covered = applied(traced, old, covers)
  const back = actsBetween(traced, covered, next)
  const behind = back.filter(({ device }) => !last.has(device))
  const byDevice = (list: readonly Act[]) =>
    [...new Set(list.map(({ device }) => device))].map(device => list.filter(act => act.device === device))
  const steps = [
    ...covers.map(act => [act]),
    ...byDevice(behind),
    ...byDevice(back.filter(({ device, load }) => last.has(device) && load)),
    ...byDevice(back.filter(({ device, load }) => last.has(device) && !load)),
  ]
  return opened(traced, old, steps, heard, 'detour', [...last].map(device => coverOf(traced, device)).join(', '))
}

/** The safe shot where it has an input of its own there; else any camera's; else black. */
function coverOf(traced: Traced, device: string): string {
  const straight = traced.runs.filter(
    ({ beside, lit, end, origin }) =>
      !beside &&
      lit &&
      end?.device === device &&
      origin &&
      traced.chain.nodes.get(origin.device)!.model.role === 'source',
  )
  const safe = straight.find(({ origin }) => traced.chain.nodes.get(origin!.device)!.device.shot === 'safe')
  return (
    (safe ?? straight.find(({ origin }) => traced.chain.nodes.get(origin!.device)!.device.shot))?.end!.port ?? BLACK
  )
}

/** The longest that a press takes to be done at a switcher, ms: the slowest of its surfaces, twice over. */
const latencyMs = (traced: Traced, device: string): number =>
  2 * Math.max(0, ...(mixOf(traced.chain.nodes.get(device)!.model)?.surfaces ?? []).map(surface => surface.latencyMs))

/** From the press on a position until a moved camera stands and is fit for a take, ticks: typically 3 s. */
const MOVE_TICKS = 3 * TICKS_PER_S
/** From the word to whoever works a source until it shows something else, and everybody sees that. */
const TOLD_TICKS = TICKS_PER_S / 2

/** While a still is loaded nothing that shows it is pressed, ticks. */
function loadTicks(rehearsal: Rehearsal, device: string, happenings: TakeStep['happenings']): number {
  const loads = happenings.some(
    one =>
      'command' in one &&
      (one.command.do === 'load' ||
        (one.command.do === 'all' && one.command.commands.some(({ do: what }) => what === 'load'))),
  )
  const frames = mixOf(rehearsal.traced.chain.nodes.get(device)!.model)?.stillFrames ?? 0
  return loads ? frames * rehearsal.clockOf(device)!.frame : 0
}

/** The steps as happenings of a run that begins at a tick: each when the one before has arrived everywhere. */
export function happeningsOf(take: Take, rehearsal: Rehearsal, tick: number): Happening[] {
  let at = tick
  return take.steps.flatMap(({ device, happenings }) => {
    const here = happenings.flatMap((one): Happening[] =>
      'camera' in one
        ? [
            { ...one, tick: at },
            { device, tick: at + MOVE_TICKS, camera: 'settled' },
          ]
        : [{ ...one, tick: at } as Happening],
    )
    if (rehearsal.clockOf(device))
      at +=
        rehearsal.settleTicks(device) +
        Math.round(latencyMs(rehearsal.traced, device) * TICKS_PER_MS) +
        loadTicks(rehearsal, device, happenings)
    else at += happenings.some(one => 'camera' in one) ? MOVE_TICKS + TOLD_TICKS : TOLD_TICKS
    return here
  })
}
