import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { onBlackPage } from '../../../../testing/overlaid'
import { type Faulty, STAGE } from '../../../../testing/cases'
import { withButtons } from '../../../../testing/buttons'
import { fmt, plan } from '../../../../testing/plans'

const SHOW = {
  devices: { pc: 'computer 1080p59.94', main: STAGE },
  links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2' },
}

export const CASES: readonly Faulty[] = [
  {
    name: 'a look with an overlay that is gone',
    gives: ['N13'],
    plan: plan({
      ...SHOW,
      segments: { talk: { title: 'Talk', order: 1, opens: 'slides' } },
      looks: { slides: { title: 'Slides', order: 1, program: { main: 'in-1' }, keys: { main: { '1': 'names' } } } },
    }),
    offers: ['Take the overlay names out of Slides'],
    says: ['Slides names the overlay names'],
  },
  {
    name: 'a look for a keyer that the switcher does not have',
    gives: ['N13'],
    plan: plan({
      ...SHOW,
      looks: { slides: { title: 'Slides', order: 1, keys: { main: { '3': 'off' } } } },
    }),
    offers: ['Take keyer 3 of main out of Slides'],
    says: ['keyer 3 of main'],
  },
  {
    name: 'a cue with a clip and a person that are gone',
    gives: ['N13'],
    plan: plan({
      ...SHOW,
      segments: { talk: { title: 'Talk', order: 1 } },
      cues: { play: { segment: 'talk', title: 'Play the film', order: 1, clip: 'film', by: 'kim' } },
    }),
    offers: ['Take the clip film out of Play the film'],
    says: ['Play the film names the clip film'],
  },
  {
    name: 'somebody who works a device that is gone',
    gives: ['N13'],
    plan: plan({
      ...SHOW,
      people: { kim: { name: 'Kim', order: 1, hears: true } },
      segments: { talk: { title: 'Talk', order: 1, work: { kim: ['main', 'old-desk'] } } },
    }),
    offers: ['Take the device old-desk out of Talk'],
    says: ['Talk names the device old-desk'],
  },
  {
    name: 'an overlay whose picture was taken out',
    gives: ['N13'],
    plan: onBlackPage(kept(patches(160, 90, CLEAR, [[20, 60, 90, 17, [200, 220, 240, 255]]])), { graphic: 'card' }),
    offers: ['Take the picture card out of Names'],
    says: ['Names names the picture card'],
  },
  {
    name: 'a macro for an input and a keyer that are gone',
    gives: ['N13'],
    plan: withButtons({
      macros: {
        go: {
          title: 'Go',
          order: 1,
          at: 'main',
          steps: [
            { do: 'program', input: 'in-99' },
            { do: 'key', keyer: '7', overlay: 'off' },
            { do: 'program', input: 'in-2' },
          ],
        },
      },
    }),
    offers: ['Take the input in-99 of main out of Go'],
    says: ['Go names the input in-99 of main'],
  },
  {
    name: 'a macro that plays a clip which is gone, fired by nobody',
    gives: ['N13'],
    plan: withButtons({ macros: { go: { title: 'Go', order: 1, at: 'main', steps: [{ do: 'play', clip: 'film' }] } } }),
    offers: ['Take the clip film out of Go'],
    says: ['Go names the clip film'],
  },
  {
    name: 'a lamp that follows a switcher which is gone, and a cue with a macro that is',
    gives: ['N13', 'N13'],
    plan: withButtons({
      devices: { a: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p59.94') } }, tally: 'old' } },
      segments: { talk: { title: 'Talk', order: 1 } },
      cues: { open: { segment: 'talk', title: 'Open', order: 1, macro: 'intro' } },
    }),
    offers: [],
    says: [],
  },
  {
    name: 'a macro in a switcher that holds none',
    gives: ['N13'],
    plan: withButtons({
      devices: { side: 'switcher-4-scaling 1080p59.94' },
      macros: { go: { title: 'Go', order: 1, at: 'side', steps: [{ do: 'program', input: 'in-2' }] } },
    }),
    offers: ['Make Go a button of', 'Remove Go'],
    says: ['Go is to stand in side, which holds no macros'],
  },
  {
    name: 'a macro with a mix that is longer than its switcher makes',
    gives: ['N13'],
    // The longest of this model is 250 frames.
    plan: withButtons({
      macros: {
        go: {
          title: 'Go',
          order: 1,
          at: 'main',
          steps: [
            { do: 'preview', input: 'in-2' },
            { do: 'auto', style: 'mix', frames: 300 },
          ],
        },
      },
    }),
    offers: ['Keep Go to what they can do'],
    says: ['Go asks a mix of 300 frames of main, which does not do that'],
  },
  {
    name: 'a look and a macro that point outputs at what they cannot carry',
    gives: ['N13', 'N13'],
    // Output 1 of this switcher carries program alone.
    plan: withButtons({
      looks: { split: { title: 'Split', order: 1, outputs: { main: { 'out-1': 'in-2' } } } },
      macros: {
        go: { title: 'Go', order: 1, at: 'main', steps: [{ do: 'output', port: 'out-1', feed: 'multiview' }] },
      },
    }),
    offers: ['Take input 2 at main output 1 out of Split'],
    says: ['Split asks for input 2 at main output 1, which that output cannot carry'],
  },
]
