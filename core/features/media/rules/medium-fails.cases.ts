import { type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'
import type { RecordCoding } from '../collection'

/** Three hours recorded at 1080p59.94, by itself 70 + 2.3 Mb/s = 9.04 MB/s in long groups of pictures. */
const kept = (medium: object, coding?: RecordCoding) =>
  plan({
    brief: { start: '19:00', end: '22:00' },
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      rec: { model: 'recorder-hdmi', ...(coding ? { coding } : {}) },
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > rec.in hdmi-passive 2' },
    wants: { rec: { feed: 'program', silent: true } },
    media: { card: { title: 'Card A', order: 1, device: 'rec', gb: 512, ...medium } },
  })

export const CASES: readonly Faulty[] = [
  {
    // 9.0375 x 10 800 s = 97.6 GB; x 1.3 / 0.9 = 141 GB. 64 x 0.9 / 9.0375 = 6373 s = 1 h 46 min.
    name: 'a card of 64 GB for three hours',
    gives: ['O06'],
    plan: kept({ gb: 64 }),
    offers: ['One of 256\u00A0GB', '3 of Card A, changed in turn'],
    says: ['9\u00A0MB/s', '141\u00A0GB', '3\u00A0h\u00A00\u00A0min', '1\u00A0h\u00A046\u00A0min'],
  },
  {
    // 147 x 2 + 2.3 = 296.3 Mb/s = 37 MB/s: 3 h are 400 GB, 578 with the margin.
    name: 'a disk of 500 GB for single pictures at 59.94',
    gives: ['O06'],
    plan: kept({ gb: 500 }, 'intra'),
    offers: ['One of 1000\u00A0GB', 'Record single pictures, light in rec'],
    says: ['37\u00A0MB/s', '578\u00A0GB'],
  },
  {
    // 37 MB/s x 1.5 = 55.6.
    name: 'a card of 30 MB/s for single pictures at 59.94',
    gives: ['O07'],
    plan: kept({ gb: 1000, writeMBs: 30 }, 'intra'),
    offers: ['takes 60\u00A0MB/s'],
    says: ['one track', '55.6\u00A0MB/s', '30\u00A0MB/s'],
  },
  {
    // 220 x 2 + 2.3 = 442.3 Mb/s = 55.3 MB/s, x 1.5 = 82.9; light: 206.3 / 8 x 1.5 = 38.7.
    name: 'a card of 60 MB/s for the high coding',
    gives: ['O07'],
    plan: kept({ gb: 1000, writeMBs: 60 }, 'intra-high'),
    offers: ['takes 90\u00A0MB/s', 'Record single pictures in rec'],
    says: ['82.9\u00A0MB/s'],
  },
  {
    name: 'a card in FAT32 for three hours',
    gives: ['O08'],
    plan: kept({ system: 'fat32' }),
    offers: ['Format Card A as exFAT'],
    says: ['97.6\u00A0GB', '4\u00A0GiB'],
  },
  {
    name: 'the same inside a switcher',
    gives: ['O08'],
    plan: plan({
      brief: { start: '19:00', end: '20:00' },
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: { model: 'switcher-4-multiview', standard: fmt('1080p59.94') },
        scr: 'screen',
      },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > scr.in hdmi-passive 2' },
      wants: { main: { feed: 'program', silent: true }, scr: 'program' },
      media: { stick: { title: 'Stick', order: 1, device: 'main', gb: 128, system: 'fat32' } },
    }),
    offers: ['Format Stick as exFAT'],
    // 9.0375 MB/s for an hour.
    says: ['32.5\u00A0GB'],
  },
]
