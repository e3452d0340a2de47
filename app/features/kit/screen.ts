import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'kit',
  step: 'wire',
  title: 'Kit',
  load: () => import('./KitScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose', foot: 'choose' },
    { key: 'Enter', words: 'into its settings', foot: 'settings' },
    { key: 'Del', words: 'take the device out', foot: 'take out' },
  ],
}
