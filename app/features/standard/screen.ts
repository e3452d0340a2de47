import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'standard',
  step: 'wire',
  title: 'Standard',
  load: () => import('./StandardScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose a rung', foot: 'choose a rung' },
    { key: 'Enter', words: 'set the show to it', foot: 'set the show to it' },
  ],
}
