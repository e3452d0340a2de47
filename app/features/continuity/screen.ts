import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'whatif',
  step: 'prove',
  title: 'What if',
  load: () => import('./WhatIfScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose what fails', foot: 'choose what fails' },
    { key: 'Enter', words: 'show it on Runs', foot: 'show it on Runs' },
  ],
}
