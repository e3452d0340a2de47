import type { DeviceNode, Traced } from '#core/chain'
import { delay, text } from '#core/kernel'
import { Draft, type Proposal, heardFrom, rule, runFor } from '#core/propose'
import { windowOf } from '../facts'
import { apartAt, heldPictures } from './lip-sync'

export const noneFits = rule({
  code: 'A09',
  about: 'No single delay of the sound fits all pictures in which lips are seen.',
  messages: {
    apart: {
      severity: 'Q',
      says: 'At {stage} the picture of {slow} comes {apart} after that of {fast}, and {window} is {width} wide: no delay of the sound fits both.',
    },
  },
  find: (traced, say) =>
    stages(traced).map(({ stage, run }) => {
      const { slow, fast, apartMs } = apartAt(traced, stage)!
      const { lo, hi, title } = windowOf(traced)
      return say(
        'apart',
        { on: 'device', device: stage.id },
        {
          stage: text(stage.device.name),
          slow: text(slow.camera.device.name),
          fast: text(fast.camera.device.name),
          apart: delay(apartMs),
          window: text(title),
          width: delay(hi - lo),
        },
        run,
      )
    }),
  remedies: (traced, { at }) => {
    const stage = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    const apart = stage && apartAt(traced, stage)
    return apart ? [...heldPictures(traced, stage), ...withoutLips(traced, stage)] : []
  },
})

function stages(traced: Traced): { stage: DeviceNode; run: string | undefined }[] {
  return [...heardFrom(traced)].flatMap(([stage, wants]) =>
    stage && apartAt(traced, stage) ? [{ stage, run: runFor(traced, wants[0]![1])?.id }] : [],
  )
}

/** The slowest or the fastest shows what has no lips: hands, the hall, a view from far. */
function withoutLips(traced: Traced, stage: DeviceNode): Proposal[] {
  const { slow, fast } = apartAt(traced, stage)!
  return [slow, fast].map(({ camera }) => {
    const draft = new Draft(traced.plan)
    draft.set(['devices', camera.id, 'noLips'], true)
    return {
      title: `Give ${camera.device.name} a shot without lips`.slice(0, 120),
      edits: draft.edits,
    }
  })
}
