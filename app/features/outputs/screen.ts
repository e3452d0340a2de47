import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'outputs',
  step: 'configure',
  title: 'Outputs',
  load: () => import('./OutputsScreen.vue'),
  actions: [
    { key: 'Arrows', words: 'from moment to moment, from audience to audience', foot: 'move' },
    { key: '1 to 9', words: 'put this input on air in the chosen moment', foot: 'on air' },
    { key: '0', words: 'black in the chosen moment', foot: 'black' },
    { key: 'A', words: 'add a moment to the segment', foot: 'add a moment' },
    { key: 'R', words: 'rename the look', foot: 'rename' },
    { key: 'Del', words: 'take the moment out', foot: 'take out' },
  ],
}
