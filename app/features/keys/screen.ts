import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'overlays',
  step: 'configure',
  title: 'Overlays',
  load: () => import('./OverlaysScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose an overlay', foot: 'choose an overlay' },
    { key: 'A', words: 'add an overlay', foot: 'add' },
    { key: 'Shift Arrows', words: 'move its box by 1 % of the picture', foot: 'move its box' },
    { key: 'L', words: 'put every lit overlay into the keyer that is worked out for it', foot: 'use the keyers' },
    { key: 'R', words: 'rename the overlay', foot: 'rename' },
    { key: 'Del', words: 'take the overlay out', foot: 'take out' },
  ],
}
