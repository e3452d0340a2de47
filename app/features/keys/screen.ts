import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'overlays',
  step: 'configure',
  title: 'Overlays',
  load: () => import('./OverlaysScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose an overlay', foot: 'overlay' },
    { key: 'Space', words: 'show it, or the picture without it', foot: 'on and off', on: ['bench'] },
    { key: 'P', words: 'lay it over another picture', foot: 'other picture', on: ['bench'] },
    {
      key: 'G',
      words: 'give photographs, or the pictures of a clip, of what it lies over: contrast is measured over each',
    },
    { key: 'D', words: 'bring the real picture in: PNG, JPEG or SVG', foot: 'bring a picture', on: ['bench'] },
    {
      key: '\u2190\u2192',
      words: 'clip, in steps of the panel; with Shift the gain; of a key by colour tolerance and soft edge',
      foot: 'clip, gain',
      on: ['bench'],
    },
    { key: 'PgUp PgDn', words: 'to another picture that comes by the same key' },
    {
      key: 'F',
      words: 'find the best clip and gain, or screen, tolerance and edge; Enter takes them',
      foot: 'find it',
      on: ['bench'],
    },
    { key: 'X', words: 'the picture, or how solid each part of it becomes', foot: 'matte', on: ['bench'] },
    { key: 'I', words: 'turn the key round, for dark marks on a light ground' },
    { key: 'W', words: 'draw boxes around words' },
    { key: 'C', words: 'make a caption' },
    { key: 'K', words: 'the bench, or the keyers', foot: 'bench or keyers' },
    { key: 'A', words: 'add an overlay' },
    { key: 'Shift Arrows', words: 'on the view of the keyers: move its box by 1 % of the picture' },
    { key: 'B', words: 'on the view of the keyers: a part of the picture, or all of it', foot: 'box', on: ['keyers'] },
    { key: 'M', words: 'on the view of the keyers: a mask, or none', foot: 'mask', on: ['keyers'] },
    {
      key: 'E',
      words: 'on the view of the keyers: make it a macro that comes, stands and goes',
      foot: 'as a macro',
      on: ['keyers'],
    },
    { key: 'L', words: 'put every lit overlay into the keyer that is worked out for it' },
    { key: 'R', words: 'rename the overlay' },
    { key: 'Del', words: 'take the overlay out' },
  ],
}
