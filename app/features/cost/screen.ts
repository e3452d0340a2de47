import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'cost',
  step: 'prove',
  title: 'Cost',
  load: () => import('./CostScreen.vue'),
  actions: [
    { key: 'B', words: 'money, weight, work, recorded or live, or which switcher', foot: 'next view' },
    { key: '\u2191\u2193', words: 'choose a line', foot: 'choose' },
    { key: 'A', words: 'add a thing, a service or a job', foot: 'add', on: ['money', 'weight', 'work'] },
    { key: 'S', words: 'add a service (money)', foot: 'service', on: ['money'] },
  ],
}
