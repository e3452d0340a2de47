import { carriesPicture, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, lastSwitchers, runInto } from '#core/chain'
import { fact } from '#core/kernel'

/** The inputs of a switcher that take pictures, in the order of their numbers, with what comes in. */
function fedInputs(traced: Traced, node: DeviceNode): { number: number; from: DeviceNode }[] {
  return portsOf(node.model, 'in')
    .filter(([, port]) => carriesPicture(port))
    .flatMap(([port, { number }]) => {
      const origin = runInto(traced, { device: node.id, port })?.origin?.device
      const from = origin === undefined ? undefined : traced.chain.nodes.get(origin)
      return from && number !== undefined ? [{ number, from }] : []
    })
}

const callsFact = fact<Traced, ReadonlyMap<string, number>>('numbers of sources', traced => {
  const said = new Map<string, number>()
  for (const { id, device } of traced.chain.nodes.values()) if (device.call !== undefined) said.set(id, device.call)
  const taken = new Set(said.values())
  const found = new Map<string, number>()
  const [first, ...others] = lastSwitchers(traced)
  // A key of the last switcher, be it that of a link or a second plug of a source, is no other source's number.
  const keys = new Set(first ? fedInputs(traced, first).map(({ number }) => number) : [])
  const give = (id: string, wished: number | undefined): void => {
    if (found.has(id)) return
    let number = said.get(id) ?? wished
    if (number === undefined || (!said.has(id) && taken.has(number))) {
      number = 1
      while (taken.has(number) || keys.has(number)) number++
    }
    taken.add(number)
    found.set(id, number)
  }

  const open: DeviceNode[] = []
  const seen = new Set<string>()
  // What the last switcher has straight keeps the number of its key; what comes by feeders follows behind them.
  const visit = (node: DeviceNode, keeps: boolean): void => {
    if (seen.has(node.id)) return
    seen.add(node.id)
    for (const { number, from } of fedInputs(traced, node)) {
      if (isSwitcher(from)) open.push(from)
      else if (from.model.role === 'source') give(from.id, keeps ? number : undefined)
    }
  }
  if (first) visit(first, true)
  for (const node of others) visit(node, false)
  for (let node = open.shift(); node; node = open.shift()) visit(node, false)
  return found
})

/**
 * One number for each source over the whole chain, by device: the one that was given to it, else that of its key at the
 * last switcher, else the next free one in the order in which feeders have them. No number twice unless two were given.
 */
export const callsOf = (traced: Traced): ReadonlyMap<string, number> => traced.ask(callsFact)
