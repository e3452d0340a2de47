import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'power',
  step: 'prove',
  title: 'Power',
  load: () => import('./PowerScreen.vue'),
  actions: [
    { key: 'B', words: 'circuits, batteries, or what is fed over the network', foot: 'next view' },
    {
      key: '\u2191\u2193',
      words: 'choose a circuit, or a device on batteries',
      foot: 'choose',
      on: ['circuits', 'batteries'],
    },
    { key: 'A', words: 'add a circuit; on Batteries a pack', foot: 'add', on: ['circuits', 'batteries'] },
    {
      key: 'H',
      words: 'hang what hangs on nothing on circuits with outlets at its place',
      foot: 'hang by place',
      on: ['circuits'],
    },
    { key: 'R', words: 'rename the circuit', foot: 'rename', on: ['circuits'] },
    { key: 'Del', words: 'take the circuit out', foot: 'take out', on: ['circuits'] },
    { key: 'K', words: 'add a bank (batteries)', foot: 'bank', on: ['batteries'] },
  ],
}
