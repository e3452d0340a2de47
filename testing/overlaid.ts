import type { Box, GraphicEntry, Overlay } from '../core/document'
import { fmt, worked } from './plans'

/** A camera, a guest and a page on black at one switcher: the overlay shows a graphic. */
export const onBlackPage = (graphic: GraphicEntry, overlay: Partial<Overlay> = {}, more: object = {}) =>
  worked({
    devices: {
      wide: 'camera-box-hdmi 1080p59.94',
      guest: 'camera-box-hdmi 1080p59.94',
      slides: 'computer 1080p59.94',
      main: { model: 'switcher-8-hdmi', standard: fmt('1080p59.94'), ports: { 'out-2': { feed: 'multiview' } } },
      desk: 'screen',
      hall: 'screen',
    },
    links: {
      w: 'wide.hdmi > main.in-1 hdmi-passive 2',
      g: 'guest.hdmi > main.in-3 hdmi-passive 2',
      s: 'slides.hdmi-1 > main.in-2 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 1',
      m: 'main.out-2 > desk.in hdmi-passive 1',
    },
    wants: { desk: 'multiview', hall: 'program' },
    graphics: { art: graphic },
    overlays: {
      names: { title: 'Names', order: 1, kind: 'luma', fill: 'slides', graphic: 'art', ...overlay },
      ...more,
    },
  })

/** A camera and a source of fill and key at one switcher. */
export const byPair = (graphic: GraphicEntry, overlay: Partial<Overlay> = {}) =>
  worked({
    devices: {
      wide: 'camera-studio-sdi 1080p50',
      gfx: 'player-fill-key 1080p50',
      main: 'switcher-12-sdi 1080p50',
      scr: 'screen-sdi',
    },
    links: {
      w: 'wide.sdi > main.in-3 coax-rg6 3',
      f: 'gfx.fill > main.in-1 coax-rg6 3',
      k: 'gfx.key > main.in-2 coax-rg6 3',
      s: 'main.out-1 > scr.in coax-rg6 5',
    },
    wants: { scr: 'program' },
    graphics: { art: graphic },
    overlays: { names: { title: 'Names', order: 1, kind: 'linear', fill: 'gfx', graphic: 'art', ...overlay } },
  })

/** Somebody draws on `pad` over the program: the pen leads to `pc`, whose marks lie over everything. */
export const drawing = ({
  links = {},
  drawnOn = 'pad',
  format = '1080p59.94',
  box,
  aspect,
}: {
  readonly links?: Readonly<Record<string, string | undefined>>
  readonly drawnOn?: string
  readonly format?: string
  readonly box?: Box
  readonly aspect?: '16:10'
}) => {
  const all: Record<string, string | undefined> = {
    marks: `pc.${aspect ? 'hdmi' : 'hdmi-1'} > main.in-1 hdmi-passive 2`,
    slides: 'slides.hdmi-1 > main.in-2 hdmi-passive 2',
    show: 'main.out-2 > pad.in hdmi-passive 2',
    hall: 'main.out-1 > scr.in hdmi-passive 5',
    pen: 'pad.pen > pc.pen control-usb 2',
    ...links,
  }
  return worked({
    devices: {
      pc: aspect
        ? {
            model: 'laptop-office',
            limitsOff: true as const,
            ports: { hdmi: { format: fmt(format), range: 'narrow' } },
          }
        : { model: 'computer', ports: { 'hdmi-1': { format: fmt(format) } } },
      slides: { model: 'computer', ports: { 'hdmi-1': { format: fmt(format) }, 'hdmi-2': { format: fmt('1080p60') } } },
      main: {
        model: 'switcher-4-strict',
        standard: fmt(format),
        ...(aspect ? { ports: { 'in-1': { fit: 'box' } } } : {}),
      },
      pad: 'display-drawing-large',
      scr: 'screen',
    },
    links: Object.fromEntries(Object.entries(all).filter((one): one is [string, string] => one[1] !== undefined)),
    wants: { scr: 'program' },
    overlays: {
      marks: { title: 'Marks', order: 1, kind: 'luma', fill: 'pc', drawnOn, ...(box ? { box } : {}) },
    },
  })
}

/** Fill and key of one player, the key through a frame delay. */
export const lateKey = (more: object = {}) =>
  worked({
    devices: {
      gfx: 'player-fill-key 1080p50',
      late: 'delay-sdi',
      main: 'switcher-12-sdi 1080p50',
      scr: 'screen-sdi',
    },
    links: {
      f: 'gfx.fill > main.in-1 coax-rg6 3',
      k: 'gfx.key > late.in coax-rg6 3',
      l: 'late.out > main.in-2 coax-rg6 1',
      s: 'main.out-1 > scr.in coax-rg6 5',
    },
    wants: { scr: 'program' },
    ...more,
  })
