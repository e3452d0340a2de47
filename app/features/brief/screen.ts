import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'brief',
  step: 'brief',
  title: 'Brief',
  load: () => import('./BriefScreen.vue'),
  actions: [
    { key: 'Tab', words: 'from blank to blank', foot: 'next blank' },
    { key: 'Enter', words: 'write in a blank', foot: 'write in it' },
    { key: 'Esc', words: 'leave it', foot: 'leave it' },
  ],
}
