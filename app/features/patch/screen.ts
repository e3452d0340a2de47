import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'patch',
  step: 'wire',
  title: 'Patch',
  load: () => import('./PatchScreen.vue'),
  actions: [
    { key: 'L', words: 'look for plans; Esc stops' },
    { key: '\u2190 \u2192', words: 'from plan to plan' },
    { key: 'Enter', words: 'make the chosen plan, or its pieces' },
    { key: 'V', words: 'keep it as a version' },
  ],
}
