import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

export const CASES: readonly Faulty[] = [
  {
    name: 'a protected disc',
    gives: ['F10'],
    plan: plan({
      devices: { disc: 'player-disc 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: STAGE },
      links: { a: 'disc.hdmi > main.in-1 hdmi-passive 2', b: 'cam.hdmi > main.in-2 hdmi-passive 2' },
    }),
    offers: ['Use another source: Clip player'],
    says: ['content-protected', 'main input 1', 'black'],
  },
  {
    name: 'a media player that is still protected, behind a splitter',
    gives: ['F10'],
    plan: plan({
      devices: {
        box: { model: 'player-stream', ports: { hdmi: { format: fmt('1080p59.94'), transfer: 'sdr' } } },
        x: 'splitter-hdmi',
        scr: 'screen',
        main: STAGE,
      },
      links: {
        a: 'box.hdmi > x.in hdmi-passive 1',
        b: 'x.out-1 > scr.in hdmi-passive 2',
        c: 'x.out-2 > main.in-1 hdmi-passive 2',
      },
    }),
    offers: ['Set box to send what is not protected openly'],
    says: ['box', 'content-protected'],
  },
]
