import { type Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { onBlackPage } from '../../../../testing/overlaid'

const caption = kept(
  patches(160, 90, CLEAR, [
    [20, 60, 100, 17, [60, 60, 120, 255]],
    [30, 64, 40, 9, [255, 255, 255, 255]],
  ]),
  { name: { x: 20 / 160, y: 60 / 90, w: 100 / 160, h: 17 / 90 } },
)
const inset = (x: number, y: number) => ({
  face: { title: 'Guest', order: 2, kind: 'box', fill: 'guest', box: { x, y, w: 0.3, h: 0.3 } },
})

export const CASES: readonly Faulty[] = [
  {
    name: 'a guest in a box over a name',
    gives: ['K18'],
    plan: onBlackPage(caption, {}, inset(0.6, 0.6)),
    offers: ['Move Guest to the upper right corner'],
    says: ['Guest covers words of Names'],
  },
  {
    name: 'a guest in the lower left corner, whose edge touches',
    gives: ['K18'],
    plan: onBlackPage(caption, {}, inset(0.05, 0.5)),
    offers: ['Move Guest to the upper left corner'],
    says: ['Guest covers words of Names'],
  },
]
