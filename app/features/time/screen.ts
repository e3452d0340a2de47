import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'time',
  step: 'prove',
  title: 'Time',
  load: () => import('./TimeScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose a picture', foot: 'choose a picture' },
    { key: '\u2190\u2192', words: 'choose who sees it', foot: 'choose who sees it' },
    { key: 'H', words: 'hold the sound back by what is best', foot: 'hold the sound' },
    { key: 'C', words: 'write down a clap', foot: 'clap' },
    { key: 'L', words: 'lips are seen in it, or not', foot: 'lips' },
    { key: 'Y', words: 'copy the figures as text', foot: 'copy' },
  ],
}
