import { isCamera } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher } from '#core/chain'
import { type Segment, own } from '#core/document'
import { count, ghost, text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { listWords } from '#core/words'

export const crewShort = rule({
  code: 'R06',
  about: 'More manned cameras than crew.',
  messages: {
    few: {
      severity: 'R',
      says: '{manned} cameras need somebody at them, and the crew is {crew}: a camera stands alone or a shot is lost.',
    },
    then: {
      severity: 'R',
      says: 'In {segments} {manned} cameras need somebody at them at once, and the crew is {crew}: a camera stands alone or a shot is lost.',
    },
    busy: {
      severity: 'R',
      says: 'In {segments} {person} has {tasks} at once: two hands do not do all of it.',
    },
    unworked: {
      severity: 'R',
      says: 'In {segments} pictures come into {switcher}, and nobody works it.',
    },
  },
  find: (traced, say) => {
    const at = { on: 'show' } as const
    const [hard] = overburdened(traced)
    if (hard) {
      const segments = text(listWords(hard.titles))
      return [
        ghost(
          'Crew',
          hard.person === undefined
            ? say('unworked', at, { segments, switcher: text(hard.what) })
            : say('busy', at, { segments, person: text(hard.person), tasks: text(hard.what) }),
        ),
      ]
    }
    const { crew } = traced.plan.brief
    const [worst] = crowded(traced)
    if (crew === undefined || !worst) return []
    const { cameras, titles } = worst
    const words = { manned: count(cameras.length), crew: count(crew) }
    return [
      ghost(
        'Crew',
        titles.length ? say('then', at, { ...words, segments: text(listWords(titles)) }) : say('few', at, words),
      ),
    ]
  },
  remedies: (traced, { says }) => {
    if (says === 'busy' || says === 'unworked') return relieved(traced)
    const [worst] = crowded(traced)
    if (!worst) return []
    const { cameras } = worst
    const over = cameras.length - (traced.plan.brief.crew ?? 0)
    return cameras
      .map((_, i) => [...cameras.slice(i), ...cameras.slice(0, i)].slice(0, over))
      .slice(0, 4)
      .map(chosen => {
        const draft = new Draft(traced.plan)
        for (const { id } of chosen) draft.set(['devices', id, 'manned'])
        return {
          title: `Leave ${chosen.map(({ device }) => device.name).join(' and ')} unmanned`.slice(0, 120),
          edits: draft.edits,
        }
      })
  },
})

/** The cameras of the whole show, or of each segment, where they are more than the crew: the most first, alike ones together. */
function crowded({ chain, plan, segment }: Traced): { cameras: DeviceNode[]; titles: string[] }[] {
  const crew = plan.brief.crew ?? Infinity
  const manned = [...chain.nodes.values()].filter(({ device, model }) => isCamera(model) && device.manned)
  const usedIn = ({ sources }: Pick<Segment, 'sources'>) => manned.filter(({ id }) => !sources || sources.includes(id))
  const scopes = segment ? [segment] : Object.values(plan.segments)
  if (scopes.length === 0) return manned.length > crew ? [{ cameras: manned, titles: [] }] : []
  const found: { cameras: DeviceNode[]; titles: string[] }[] = []
  for (const one of scopes) {
    const cameras = usedIn(one)
    if (cameras.length <= crew) continue
    const there = found.find(
      other => other.cameras.every(camera => cameras.includes(camera)) && other.cameras.length === cameras.length,
    )
    if (there) there.titles.push(one.title)
    else found.push({ cameras, titles: [one.title] })
  }
  return found.sort((a, b) => b.cameras.length - a.cameras.length)
}

interface Burden {
  readonly titles: string[]
  readonly segments: string[]
  /** What is too much, or the switcher that nobody works. */
  readonly what: string
  readonly person?: string
  readonly id?: string
  /** What somebody else may take over: devices by what they are for. */
  readonly devices: readonly string[]
}

/** What hands do at a device, for the count of what one person has at once. */
function taskAt(node: DeviceNode): string | undefined {
  if (isSwitcher(node)) return 'the switching'
  if (node.model.kind === 'computer' || node.model.kind === 'tablet') return 'the slides'
  if (node.model.kind === 'controller') return 'the stick'
  return isCamera(node.model) ? 'a camera' : undefined
}

/** Segments with somebody who has three things in hand, or with a switcher that nobody works; asked where work is said. */
function overburdened({ chain, plan, runs }: Traced): Burden[] {
  const found: Burden[] = []
  const note = (burden: Omit<Burden, 'titles' | 'segments'>, id: string, title: string) => {
    const there = found.find(one => one.id === burden.id && one.what === burden.what)
    if (there) {
      there.titles.push(title)
      there.segments.push(id)
    } else found.push({ ...burden, titles: [title], segments: [id] })
  }
  for (const [id, { title, work, sources }] of Object.entries(plan.segments)) {
    if (!work) continue
    for (const [person, devices] of Object.entries(work)) {
      const name = own(plan.people, person)?.name
      const tasks = new Map<string, string>()
      for (const device of devices) {
        const node = chain.nodes.get(device)
        const task = node && taskAt(node)
        if (task && !tasks.has(task)) tasks.set(task, device)
      }
      if (name !== undefined && tasks.size > 2)
        note({ person: name, id: person, what: listWords([...tasks.keys()]), devices: [...tasks.values()] }, id, title)
    }
    const worked = new Set(Object.values(work).flat())
    for (const node of chain.nodes.values()) {
      const used = runs.some(
        ({ end, origin, lit }) =>
          lit && end?.device === node.id && (!sources || (origin !== undefined && sources.includes(origin.device))),
      )
      if (isSwitcher(node) && used && !worked.has(node.id))
        note({ what: node.device.name, id: node.id, devices: [node.id] }, id, title)
    }
  }
  return found.sort((a, b) => b.titles.length - a.titles.length)
}

/** Somebody else takes one of the things over; who has nothing to do first. */
function relieved(traced: Traced): Proposal[] {
  const { plan } = traced
  const [hard] = overburdened(traced)
  if (!hard) return []
  const loads = (person: string) =>
    hard.segments.reduce((sum, segment) => sum + (own(plan.segments[segment]!.work, person)?.length ?? 0), 0)
  const others = Object.keys(plan.people)
    .filter(person => person !== hard.id)
    .sort((a, b) => loads(a) - loads(b) || (a < b ? -1 : 1))
  return others.slice(0, 3).flatMap(person =>
    hard.devices.slice(-1).map((device): Proposal => {
      const draft = new Draft(plan)
      for (const segment of hard.segments) {
        const { work = {} } = plan.segments[segment]!
        draft.set(['segments', segment, 'work', person], [...(own(work, person) ?? []), device])
        if (hard.person !== undefined)
          draft.set(
            ['segments', segment, 'work', hard.id!],
            work[hard.id!]!.filter(other => other !== device),
          )
      }
      const name = plan.devices[device]?.name ?? device
      return { title: `${plan.people[person]!.name} works ${name}`.slice(0, 120), edits: draft.edits }
    }),
  )
}
