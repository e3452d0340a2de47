import type { GraphicEntry, Overlay } from '../core/document'
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
