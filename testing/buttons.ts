import type { Plan } from '#core/document'
import { worked } from './plans'

/** Two computers at a feeder, a third at the last switcher; a computer with keys, which a hub leads to both. */
export const withButtons = (more: Record<string, unknown>): Plan =>
  worked({
    devices: {
      a: 'computer 1080p59.94',
      b: 'computer 1080p59.94',
      c: 'computer 1080p59.94',
      side: 'switcher-8-hdmi 1080p59.94',
      main: 'switcher-8-hdmi 1080p59.94',
      hall: 'projector',
      many: 'screen',
      ...(more.devices as object | undefined),
    },
    links: {
      a: 'a.hdmi-1 > side.in-1 hdmi-passive 2',
      b: 'b.hdmi-1 > side.in-2 hdmi-passive 2',
      l: 'side.out-1 > main.in-1 hdmi-passive 1',
      c: 'c.hdmi-1 > main.in-2 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 5',
      m: 'main.out-3 > many.in hdmi-passive 2',
      ...(more.links as object | undefined),
    },
    wants: { hall: 'program', many: 'multiview', ...(more.wants as object | undefined) },
    ...Object.fromEntries(Object.entries(more).filter(([key]) => !['devices', 'links', 'wants'].includes(key))),
  } as never)

export const button = (steps: readonly object[], more: object = {}): { macros: Record<string, object> } => ({
  macros: { go: { title: 'Go', order: 1, at: 'work', steps, ...more } },
})
export const press = (at: string, input: string): object => ({ do: 'program', at, input })

/** The same with a player of clips at the last switcher. */
export const withClips = (more: Record<string, unknown>): Plan =>
  withButtons({
    ...more,
    devices: { film: 'player-clips 1080p59.94', ...(more.devices as object | undefined) },
    links: { film: 'film.hdmi > main.in-3 hdmi-passive 2', ...(more.links as object | undefined) },
  })
