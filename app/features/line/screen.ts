import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'line',
  step: 'prove',
  title: 'Line',
  load: () => import('./LineScreen.vue'),
  actions: [
    { key: 'B', words: 'lines, or which computer does what', foot: 'next view' },
    { key: '\u2191\u2193', words: 'choose a line', foot: 'choose a line' },
    { key: 'A', words: 'add a line', foot: 'add a line' },
    { key: 'D', words: 'add a destination', foot: 'add a destination' },
    { key: 'M', words: 'write down what was measured', foot: 'measured' },
    { key: 'Del', words: 'take the line out', foot: 'take out' },
  ],
}
