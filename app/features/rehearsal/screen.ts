import type { Screen } from '~/shell/screens'

export const screen: Screen = {
  id: 'rehearse',
  step: 'prove',
  title: 'Rehearse',
  load: () => import('./RehearseScreen.vue'),
  actions: [
    { key: '1 to 9', words: 'choose the source that is next', foot: 'next' },
    { key: 'Space', words: 'take it, as planned', foot: 'take' },
    { key: 'Shift Space', words: 'take it as a cut, whatever the mix is set to', foot: 'cut' },
    { key: 'K', words: 'light the next overlay, or put it out', foot: 'overlay' },
    { key: 'S', words: 'the safe picture, from anywhere', foot: 'safe' },
    { key: 'B', words: 'to black and back', foot: 'black' },
    { key: 'V', words: 'see the program of the next audience large', foot: 'audience' },
    { key: 'J', words: 'from every source to every other: the presses it takes', foot: 'jumps' },
    { key: 'H', words: 'work one switcher on its own surface', foot: 'by hand' },
    { key: 'M', words: 'macros: fire, change, record', foot: 'macros' },
    { key: 'D', words: 'record what is pressed as a macro, and stop recording' },
    { key: 'X', words: 'break something: a plug, a unit, a camera', foot: 'break' },
    { key: 'Y', words: 'runs that were kept, two beside each other' },
    { key: 'U', words: 'what the audience hears' },
    { key: 'P', words: 'stand still, or go on', foot: 'pause' },
    { key: '.', words: 'one frame on, while it stands' },
    { key: 'R', words: 'begin again' },
  ],
}
