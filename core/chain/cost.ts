import { type AdapterModel, type CableModel, choosePieces, cutLengthM, piecesMinor } from '#core/cable'
import { type Link, type Plan, own, withRoute } from '#core/document'

/** Price of a link's pieces and adapters in minor units of the plan's currency. */
export function linkMinor(plan: Plan, written: Link): number {
  const link = withRoute(plan, written)
  const cable = plan.leads[link.cable] as CableModel
  const pieces =
    link.pieces ?? (link.routeM === undefined ? [] : (choosePieces(cable, cutLengthM(link.routeM))?.pieces ?? []))
  const adapters = [link.adapters?.from, link.adapters?.to].reduce(
    (sum, id) => sum + ((own(plan.leads, id) as AdapterModel | undefined)?.priceMinor ?? 0),
    0,
  )
  return piecesMinor(cable, pieces) + adapters
}

/** Planning price of all devices, cables and adapters, minor units. */
export function planMinor(plan: Plan): number {
  let minor = 0
  for (const device of Object.values(plan.devices)) minor += plan.models[device.model]!.priceMinor
  for (const link of Object.values(plan.links)) minor += linkMinor(plan, link)
  return minor
}

/** Typical draw of all devices, watts. */
export function planWatts(plan: Plan): number {
  return Object.values(plan.devices).reduce((sum, device) => sum + plan.models[device.model]!.watts, 0)
}
