import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'media',
  step: 'prove',
  title: 'Media',
  load: () => import('./MediaScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose a recorder', foot: 'choose a recorder' },
    { key: 'A', words: 'put a medium into it', foot: 'add a medium' },
    { key: 'C', words: 'write it otherwise', foot: 'coding' },
  ],
}
