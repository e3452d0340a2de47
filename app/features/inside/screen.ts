import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'inside',
  step: 'prove',
  title: 'Inside',
  load: () => import('./InsideScreen.vue'),
  actions: [
    { key: 'Tab', words: 'along the deliverables', foot: 'along the deliverables' },
    { key: 'Enter', words: 'show it on Runs', foot: 'show it on Runs' },
  ],
}
