import { canonicalPlan, own, problemText } from '#core/document'
import { type Command, type CommandResult, Unusable } from '#core/kernel'
import type { CommandContext } from '#core/propose'
import { TICKS_PER_S, digest, jumpsOf, momentsOf, planTake, taken } from '#core/run'
import { readKept } from './kept'
import { momentTitles, takeWords } from './say'
import { Session } from './session'

const pressWords = (n: number): string => `${n} ${n === 1 ? 'press' : 'presses'}`
const found = (version: object): CommandResult => ({
  out: JSON.stringify({ version: 1, ...version }, null, 2),
  exit: 0,
})

function jumpTable({ checked: { traced }, json, strong }: CommandContext): CommandResult {
  const all = jumpsOf(traced)
  if (json) return found({ switchers: all })
  const name = (id: string) => traced.chain.nodes.get(id)!.device.name
  const lines = all.flatMap(({ last, sources, rows, held }) => {
    const each = rows.flat().flatMap(jump => jump ?? [])
    const count = (kind: string) => each.filter(jump => jump.kind === kind).length
    return [
      `${strong(name(last))}: ${sources.length} sources, ${each.length} jumps, ${count('clean')} clean, ${count('detour')} by a picture between, ${count('impossible')} impossible${held.length ? `, while ${held.map(name).join(', ')} keep what they see` : ''}`,
      ...[1, 2, 3, 4, 5].flatMap(presses => {
        const some = each.filter(jump => jump.kind === 'clean' && jump.presses === presses).length
        return some ? [`    ${some} with at most ${pressWords(presses)}`] : []
      }),
      ...rows.flatMap((row, i) =>
        row.flatMap((jump, j) => {
          const from = `from ${name(sources[i]!)} to ${name(sources[j]!)}`
          if (jump?.kind === 'detour') return [`    no straight way ${from}`]
          if (jump?.kind === 'impossible')
            return [`    impossible ${from}: ${name(jump.shared!)} would have to show two pictures at once`]
          return []
        }),
      ),
    ]
  })
  return { out: lines.join('\n') || 'There is nothing to jump between.', exit: 0 }
}

/** How one gets from each state of the show to the next. */
function throughShow({ checked: { traced }, json, strong }: CommandContext): CommandResult {
  const moments = momentsOf(traced)
  const titles = momentTitles(traced)
  const takes = moments.slice(1).map((moment, i) => ({
    to: titles[i + 1]!,
    take: planTake(traced, moments[i]!.state, moment.state),
  }))
  const wrong = takes.filter(({ take }) => take.kind === 'detour').length
  if (json) return found({ takes: takes.map(({ to, take: { kind, presses } }) => ({ to, kind, presses })) })
  const lines = takes.map(({ to, take }) => `${strong(to)}: ${takeWords(traced, take)}`)
  return { out: lines.join('\n') || 'The plan has no running order to go through.', exit: wrong ? 1 : 0 }
}

const rehearse: Command<CommandContext> = {
  name: 'rehearse',
  about:
    'goes through the running order and says each planned take; with --jumps it counts how one gets from each source on air to each other. Ends with 1 where a take shows a picture between.',
  options: { jumps: { value: '', flag: true } },
  json: true,
  run: context => (context.values.has('jumps') ? jumpTable(context) : throughShow(context)),
}

function lookOf({ checked: { traced }, values }: CommandContext, name: string) {
  const id = values.get(name)!
  const look = own(traced.plan.looks, id)
  if (!look)
    throw new Unusable(`no look ${id}; there are: ${Object.keys(traced.plan.looks).sort().join(', ') || 'none'}`)
  return look
}

const take: Command<CommandContext> = {
  name: 'take',
  about:
    'plans the way from one look to another: which press follows which. Ends with 1 where a picture between is seen.',
  options: { from: { value: 'LOOK', required: true }, to: { value: 'LOOK', required: true } },
  json: true,
  run: context => {
    const { traced } = context.checked
    for (const name of ['from', 'to']) if (!context.values.has(name)) throw new Unusable(`--${name} LOOK is missing`)
    const old = taken(momentsOf(traced)[0]!.state, lookOf(context, 'from'))
    const planned = planTake(traced, old, taken(old, lookOf(context, 'to')))
    const exit = planned.kind === 'detour' ? 1 : 0
    if (context.json) return { ...found({ ...planned }), exit }
    return { out: `${takeWords(traced, planned)}\n${pressWords(planned.presses)}, ${planned.kind}`, exit }
  },
}

const run: Command<CommandContext> = {
  name: 'run',
  about:
    'runs what happened in a kept run again, and says what each audience saw. Ends with 1 where frames were wrong.',
  options: { log: { value: 'EVENTS.json', file: true, required: true } },
  json: true,
  run: ({ plan, values, json, strong }) => {
    const text = values.get('log')
    if (text === undefined) throw new Unusable('--log EVENTS.json is missing')
    const read = readKept(text)
    if (!read.ok) throw new Unusable(`the run: ${problemText(read.problem)}`)
    const session = Session.again(plan, read.value)
    const { seconds, presses, sinks, lines, fingerprint } = session.summary()
    const exit = sinks.some(({ wrong }) => wrong > 0) ? 1 : 0
    const foreign = read.value.plan !== digest(canonicalPlan(plan))
    if (json) return { ...found({ seconds, presses, sinks, lines, fingerprint, foreign }), exit }
    const out = [
      ...(foreign ? ['The run was made with another version of the plan.'] : []),
      `${strong(`${seconds.toFixed(1)} s`)}, ${pressWords(presses)}, fingerprint ${fingerprint}`,
      ...sinks.map(
        ({ name, changes, wrong }) =>
          `${strong(name)}: ${changes} ${changes === 1 ? 'change' : 'changes'}, ${wrong} wrong ${wrong === 1 ? 'frame' : 'frames'}`,
      ),
      ...lines.map(
        line =>
          `    ${`${(line.tick / TICKS_PER_S).toFixed(2)} s`} ${line.words}${line.refused ? `, refused: ${line.refused}` : ''}`,
      ),
    ]
    return { out: out.join('\n'), exit }
  },
}

export const COMMANDS = [rehearse, take, run]
