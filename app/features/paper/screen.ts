import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'papers',
  step: 'day',
  title: 'Papers',
  load: () => import('./PapersScreen.vue'),
  actions: [
    { key: '\u2190 \u2192', words: 'from paper to paper', foot: 'papers' },
    { key: 'Ctrl P', words: 'print', foot: 'print' },
  ],
}
