import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'clips',
  step: 'configure',
  title: 'Clips',
  load: () => import('./ClipsScreen.vue'),
  actions: [
    { key: 'Arrows', words: 'from clip to clip', foot: 'move' },
    { key: 'A', words: 'add a clip', foot: 'add a clip' },
    { key: 'Alt Arrows', words: 'move the clip in the list of its player', foot: 'reorder' },
    { key: 'Del', words: 'take the clip out', foot: 'take out' },
  ],
}
