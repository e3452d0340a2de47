import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'sound',
  step: 'configure',
  title: 'Sound',
  load: () => import('./SoundScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose who hears', foot: 'who hears' },
    { key: '\u2190\u2192', words: 'from moment to moment', foot: 'moment' },
    { key: 'P', words: 'print the set-up sheets', foot: 'print sheets' },
  ],
}
