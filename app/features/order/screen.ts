import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'order',
  step: 'brief',
  title: 'Running order',
  load: () => import('./OrderScreen.vue'),
  actions: [
    { key: 'Arrows', words: 'from segment to segment, from source to source', foot: 'move' },
    { key: 'Space', words: 'uses the source there, or not', foot: 'use or not' },
    { key: 'A', words: 'add a segment', foot: 'add a segment' },
    { key: 'C', words: 'add a cue to the segment', foot: 'add a cue' },
    { key: 'R', words: 'rename the segment', foot: 'rename' },
    { key: 'Del', words: 'take the segment out', foot: 'take out' },
  ],
}
