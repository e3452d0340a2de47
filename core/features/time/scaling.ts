import { type DelayMs, type Traced, delayMs, gathers, pathFrom, socketKey } from '#core/chain'
import { fact } from '#core/kernel'
import { type VideoFormat, formatLabel, picturesPerSecond, sameFormat, unevenPerSecond } from '#core/signal'

/** A place where a picture is brought to another format: an input with a scaler of its own, or a box. */
export interface Scaling {
  readonly device: string
  readonly port: string
  readonly name: string
  readonly from: string
  readonly to: string
  /** Pictures a second that are shown once more, or left out, beyond what is even; which of the two. */
  readonly uneven: number
  readonly by: 'repeats' | 'drops' | 'nothing'
  /** Fields are made whole pictures of, or the other way round. */
  readonly deinterlaces: boolean
  readonly resizes: boolean
  readonly delay: DelayMs | undefined
}

const scalingFact = fact<Traced, readonly Scaling[]>('scaling', traced => {
  const { chain, trace } = traced
  const outOf = (device: string, port: string): VideoFormat | undefined =>
    (chain.leaving.get(socketKey(device, port)) ?? [])
      .map(({ id }) => trace.wires.get(id)?.signal?.format)
      .find(format => format !== undefined)
  return [...trace.wires.values()]
    .flatMap((at): Scaling[] => {
      const to = at.wire.to
      if (!at.arrives || !at.signal || !to?.port) return []
      const { node, portId, port } = to
      const path = pathFrom(node, portId)
      const made =
        node.standard && gathers(node) && port.takes !== 'standard'
          ? node.standard
          : path?.format === 'port'
            ? path.to.map(out => outOf(node.id, out)).find(format => format !== undefined)
            : undefined
      const now = at.signal.format
      if (!made || sameFormat(now, made)) return []
      const [fi, fo] = [picturesPerSecond(now), picturesPerSecond(made)]
      const uneven = unevenPerSecond(fi, fo)
      const delay = node.standard && gathers(node) ? port.delay : path?.delay
      return [
        {
          device: node.id,
          port: portId,
          name: `${node.device.name} ${port.title}`,
          from: formatLabel(now),
          to: formatLabel(made),
          uneven,
          by: uneven === 0 ? 'nothing' : fo > fi ? 'repeats' : 'drops',
          deinterlaces: (now.scan === 'i') !== (made.scan === 'i'),
          resizes: now.raster !== made.raster,
          delay: delay && delayMs(delay, made),
        },
      ]
    })
    .sort((a, b) => b.uneven - a.uneven || (a.name < b.name ? -1 : 1))
})

/** Every place where the format of a picture is changed, the worst for movement first. Linear in links. */
export const scalingOf = (traced: Traced): readonly Scaling[] => traced.ask(scalingFact)
