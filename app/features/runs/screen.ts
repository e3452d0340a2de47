import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'runs',
  step: 'wire',
  title: 'Runs',
  load: () => import('./RunsScreen.vue'),
  actions: [
    { key: 'Arrows', words: 'along the light, and from lane to lane' },
    { key: 'Enter', words: 'open the lane; again, apply the chosen remedy' },
    { key: 'C', words: 'what else this hop could be' },
    { key: 'W', words: 'why something is seen there, and how to find out' },
    { key: 'M', words: 'measure the way of a cable' },
    { key: 'R', words: 'rename' },
    { key: 'L', words: 'label of a switcher input' },
    { key: 'G', words: 'how much reach a cable has left' },
    { key: 'Shift \u2191 \u2193', words: 'to the input above or below; or drag the end at the switcher' },
    { key: 'P', words: 'pin a cable: nothing but a hand changes it' },
    { key: 'X', words: 'accept a risk, with the reason' },
    { key: 'Y', words: 'lay the same run for other sources' },
    { key: 'Del', words: 'take out the cable or the device' },
    { key: 'A', words: 'add a device' },
    { key: 'E', words: 'add by a line of words' },
    { key: 'F', words: 'find and filter lanes' },
    { key: 'B', words: 'lit lanes as ribbons' },
  ],
}
