import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'switchers',
  step: 'configure',
  title: 'Switchers',
  load: () => import('./SwitchersScreen.vue'),
  actions: [
    { key: '\u2191\u2193', words: 'choose a switcher', foot: 'choose a switcher' },
    { key: '\u2190\u2192', words: 'choose an input', foot: 'choose an input' },
    { key: 'L', words: 'label the input', foot: 'label' },
    { key: 'O', words: 'sound of the input: open, follows the picture, shut', foot: 'sound' },
    { key: 'X', words: 'keep the input off the air, or not', foot: 'off the air' },
    { key: 'M', words: 'strips, or names and multiview', foot: 'names' },
    { key: 'D', words: 'tick the next step of the set-up sheet', foot: 'done' },
    { key: 'P', words: 'print the set-up sheets', foot: 'print sheets' },
  ],
}
