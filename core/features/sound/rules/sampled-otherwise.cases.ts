import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const wants = { enc: { feed: 'program', sound: true } } as const
const main = (port: string) => ({
  model: STAGE.split(' ')[0]!,
  standard: fmt('1080p59.94'),
  ports: { [port]: { sound: 'fixed' } } as const,
})

export const CASES: readonly Faulty[] = [
  {
    name: 'a computer with its sound at 44.1 kHz',
    gives: ['A12'],
    plan: plan({
      devices: {
        pc: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p59.94'), soundHz: 44_100 } } },
        main: main('in-1'),
        enc: 'encoder-stream',
      },
      links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2' },
      wants,
    }),
    offers: ['Set the sound of pc HDMI 1 to 48\u00A0kHz'],
    says: ['44.1\u00A0kHz', 'main input 1', '48\u00A0kHz'],
  },
  {
    name: 'a clip player at 44.1 kHz behind a splitter',
    gives: ['A12'],
    plan: plan({
      devices: {
        clips: { model: 'player-clips', ports: { hdmi: { format: fmt('1080p59.94'), soundHz: 44_100 } } },
        split: 'splitter-hdmi',
        main: main('in-2'),
        enc: 'encoder-stream',
        scr: 'screen',
      },
      links: {
        a: 'clips.hdmi > split.in hdmi-passive 2',
        c: 'split.out-1 > main.in-2 hdmi-passive 1',
        d: 'split.out-2 > scr.in hdmi-passive 1',
        b: 'main.out-1 > enc.in hdmi-passive 2',
      },
      wants,
    }),
    offers: ['Set the sound of clips'],
    says: ['main input 2'],
  },
]
