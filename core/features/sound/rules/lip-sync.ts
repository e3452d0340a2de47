import { portsOf } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { delay, text } from '#core/kernel'
import { Draft, type Proposal, cameraDelays, heardFrom, pluggedSounds, rule, runsTo } from '#core/propose'

/** How early (negative: late) sound may be, ms: EBU R 37; acceptability of ITU-R BT.1359-1. */
export const WINDOWS = {
  r37: { lo: -60, hi: 40, title: 'EBU R\u00A037' },
  bt1359: { lo: -185, hi: 90, title: 'ITU-R BT.1359-1' },
} as const

export const lipSync = rule({
  code: 'A08',
  about: 'Sound and picture are apart by more than the window.',
  messages: {
    early: {
      severity: 'Q',
      says: 'At {stage} the pictures of the cameras come up to {error} after the sound; {window} allows {limit}.',
    },
    late: {
      severity: 'Q',
      says: 'At {stage} the sound comes up to {error} after the pictures of the cameras; {window} allows {limit}.',
    },
  },
  find: (traced, say) =>
    [...heardFrom(traced)].flatMap(([stage, wants]) => {
      const span = stage && errorsAt(traced, stage)
      if (!span) return []
      const window = WINDOWS[traced.plan.brief.syncWindow ?? 'r37']
      const early = span.max > window.hi
      if (!early && span.min >= window.lo) return []
      return [
        say(
          early ? 'early' : 'late',
          { on: 'device', device: stage.id },
          {
            stage: text(stage.device.name),
            error: delay(early ? span.max : -span.min),
            limit: delay(early ? window.hi : -window.lo),
            window: text(window.title),
          },
          runsTo(traced, wants[0]![1].sink)[0]?.id,
        ),
      ]
    }),
  remedies: (traced, { at }) => {
    const stage = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    return stage ? heldBack(traced, stage) : []
  },
})

/** How early the sound from plugs is against the cameras, typically, ms: the least and the most. */
export function errorsAt(
  traced: Traced,
  stage: DeviceNode,
): { readonly min: number; readonly max: number } | undefined {
  const pictures = cameraDelays(traced, stage)
  const sounds = pluggedSounds(traced, stage)
  if (pictures.length === 0 || sounds.length === 0) return undefined
  return {
    min: Math.min(...pictures) - Math.max(...sounds.map(({ typ }) => typ)),
    max: Math.max(...pictures) - Math.min(...sounds.map(({ typ }) => typ)),
  }
}

/** One delay for every sound plug: the middle of the pictures less the middle of the window, in whole milliseconds. */
function heldBack(traced: Traced, stage: DeviceNode): Proposal[] {
  const span = errorsAt(traced, stage)!
  const { lo, hi } = WINDOWS[traced.plan.brief.syncWindow ?? 'r37']
  const shift = Math.round((span.max + span.min) / 2 - (lo + hi) / 2)
  const plugs = portsOf(stage.model, 'in').filter(
    ([portId, port]) => port.carries === 'sound' && traced.sound.arriving.has(`${stage.id}/${portId}`),
  )
  const draft = new Draft(traced.plan)
  const set = plugs.map(([portId]) => {
    const now = stage.device.ports?.[portId]?.soundDelayMs ?? 0
    const ms = Math.max(0, now + shift)
    draft.set(['devices', stage.id, 'ports', portId, 'soundDelayMs'], ms === 0 ? undefined : ms)
    return ms
  })
  return [{ title: `Hold the sound at ${stage.device.name} back by ${set[0] ?? 0} ms`, edits: draft.edits }]
}
