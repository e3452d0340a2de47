import { type LinkEnd, type Plan, own } from '#core/document'
import type { Draft } from './draft'

/** A cable that goes from one input to another. */
interface Moved {
  readonly from: LinkEnd
  readonly to: LinkEnd
}

/**
 * What looks say of an input goes with the cable that moves to another input of the same switcher: they are to show the
 * same picture as before. Two that change places change it in the looks as well.
 */
export function followLooks(draft: Draft, { looks }: Plan, moved: readonly Moved[]): void {
  const next = new Map(
    moved
      .filter(({ from, to }) => from.device === to.device)
      .map(({ from, to }) => [`${from.device}/${from.port}`, to.port]),
  )
  if (next.size === 0) return
  const devices = new Set(moved.map(({ from }) => from.device))
  for (const [id, look] of Object.entries(looks))
    for (const device of devices) {
      for (const field of ['program', 'preview'] as const) {
        const port = own(look[field], device)
        const to = port === undefined ? undefined : next.get(`${device}/${port}`)
        if (to !== undefined) draft.set(['looks', id, field, device], to)
      }
      const sound = own(look.sound, device)
      if (sound && Object.keys(sound).some(port => next.has(`${device}/${port}`)))
        draft.set(
          ['looks', id, 'sound', device],
          Object.fromEntries(
            Object.entries(sound).map(([port, opening]) => [next.get(`${device}/${port}`) ?? port, opening]),
          ),
        )
    }
}
