import { runWith, socketName, wireAt, type Traced } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { asModel, boxBefore } from '../between'
import { type Phantom, phantomFaults } from '../plugs'

export const phantomPower = rule({
  code: 'A16',
  about: 'A condenser microphone without phantom power, or phantom power on a line that must not have it.',
  messages: {
    off: {
      severity: 'Q',
      says: '{plug} needs 48\u00A0V of phantom power and {input} has it switched off: nothing is heard of it.',
    },
    none: {
      severity: 'Q',
      says: '{plug} needs 48\u00A0V of phantom power and {input} gives none: nothing is heard of it.',
    },
    harms: {
      severity: 'Q',
      says: '{input} puts 48\u00A0V of phantom power on {plug}, a line that must not have it: it hums, or is damaged.',
    },
  },
  find: (traced, say) =>
    phantomFaults(traced).map(({ at, plug, how, switched }) =>
      say(
        how === 'harming' ? 'harms' : switched ? 'off' : 'none',
        { on: 'link', link: at.wire.id, part: 'to' },
        { plug: text(socketName(plug)), input: text(socketName(at.wire.to!)) },
        runWith(traced, at.wire.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    const one = phantomFaults(traced).find(({ at: { wire } }) => wire.id === at?.wire.id)
    return one ? mended(traced, one) : []
  },
})

function mended({ plan }: Traced, { at, plug, how, switched }: Phantom): Proposal[] {
  const to = at.wire.to!
  const draft = new Draft(plan)
  draft.set(['devices', to.node.id, 'ports', to.portId, 'phantom'], how === 'harming' ? undefined : true)
  const turned: Proposal = {
    title: `Switch phantom power ${how === 'harming' ? 'off' : 'on'} at ${socketName(to)}`.slice(0, 120),
    edits: draft.edits,
  }
  const xlr = to.port!.connector === 'xlr'
  if (how === 'harming')
    return [
      turned,
      ...(xlr
        ? [
            boxBefore(
              plan,
              at.wire,
              { model: 'isolator-xlr', name: `Sound isolator, ${plug.node.device.name}`, lead: 'xlr-lead' },
              `Put in a sound isolator before ${socketName(to)}`,
            ),
          ]
        : []),
    ]
  const amplifier = boxBefore(
    plan,
    at.wire,
    {
      model: 'amplifier-microphone',
      name: `Microphone amplifier, ${plug.node.device.name}`,
      lead: 'xlr-lead',
      ports: { in: { phantom: true } },
    },
    `Put in a microphone amplifier with phantom power before ${socketName(to)}`,
  )
  const other = asModel(
    plan,
    plug.node.id,
    'microphone-speech',
    `A microphone that needs none in the place of ${plug.node.device.name}`,
  )
  return [...(switched ? [turned] : xlr && plug === at.wire.from ? [amplifier] : []), other]
}
