import { type Faulty } from '../../../../testing/cases'
import { CLEAR, kept, patches } from '../../../../testing/graphics'
import { onBlackPage } from '../../../../testing/overlaid'

/** White letters on a dark plate, both in whole pixels of 160 x 90. */
const caption = (x: number, y: number, letters: number) =>
  kept(
    patches(160, 90, CLEAR, [
      [x, y, 60, letters + 8, [60, 60, 120, 255]],
      [x + 8, y + 4, 20, letters, [255, 255, 255, 255]],
    ]),
    { name: { x: x / 160, y: y / 90, w: 60 / 160, h: (letters + 8) / 90 } },
  )

/** The same, and no overlay has a picture. */
const unknown = (plan: Faulty['plan']): Faulty['plan'] => ({
  ...plan,
  overlays: Object.fromEntries(Object.entries(plan.overlays).map(([id, { graphic: _, ...overlay }]) => [id, overlay])),
})

/** Its screen is seen from afar: a picture so high, and the last row so far away. */
const viewed = (plan: Faulty['plan'], heightM: number, lastM: number): Faulty['plan'] => ({
  ...plan,
  devices: { ...plan.devices, hall: { ...plan.devices.hall!, viewed: { heightM, lastM } } },
})

export const CASES: readonly Faulty[] = [
  {
    name: 'letters that are not read from the last row',
    gives: ['K13'],
    // In a box of half the height letters of 9 of 90 are 5 % of 3 m, 150 mm, and at 31 m 31 / 200 = 155 mm are read.
    plan: viewed(onBlackPage(caption(50, 40, 9), { box: { x: 0.25, y: 0.25, w: 0.5, h: 0.5 } }), 3, 31),
    offers: ['Show Names over the whole picture'],
    says: ['150\u00A0mm high on hall', '31\u00A0m away, 155\u00A0mm'],
  },
  {
    name: 'words at the edge of the picture',
    gives: ['K13'],
    plan: onBlackPage(caption(2, 60, 9)),
    offers: ['Move Names into the safe part'],
    says: ['outside of the middle 90\u00A0%'],
  },
  {
    name: 'small words at the edge, which are told apart',
    gives: ['K13', 'K13'],
    plan: onBlackPage(caption(2, 60, 3)),
    offers: ['Move Names into the safe part'],
    says: ['outside of the middle 90\u00A0%'],
  },
  {
    name: 'a mask that ends within the words',
    gives: ['K13'],
    // The plate stands from 20 to 80 of 160, and the mask lets through the left half of it.
    plan: onBlackPage(caption(20, 50, 9), { mask: { x: 0.1, y: 0.5, w: 0.2, h: 0.3 } }),
    offers: ['Let the words of Names through its mask', 'Take the mask off Names'],
    says: ['Words of Names stand outside of its mask'],
  },
  {
    name: 'letters of three lines',
    gives: ['K13'],
    // 3 of 90 is 3.3 %.
    plan: onBlackPage(caption(20, 50, 3)),
    offers: ['Give up Names'],
    says: ['3.3\u00A0% of the picture'],
  },
  {
    name: 'a caption made half as large',
    gives: ['K13'],
    // 6 of 90 is 6.7 %, and half of that 3.3 %.
    plan: onBlackPage(caption(20, 50, 6), { box: { x: 0.3, y: 0.3, w: 0.5, h: 0.5 } }),
    offers: ['Show Names over the whole picture'],
    says: ['3.3\u00A0% of the picture'],
  },
  {
    name: 'a mask beside the box of an overlay whose picture nobody has yet',
    gives: ['K13'],
    plan: unknown(
      onBlackPage(caption(20, 50, 9), {
        box: { x: 0, y: 0, w: 0.4, h: 0.4 },
        mask: { x: 0.5, y: 0.5, w: 0.4, h: 0.4 },
      }),
    ),
    offers: ['Take the mask off Names', 'Lay the mask of Names where it stands', 'Give up Names'],
    says: ['Nothing of Names comes through its mask'],
  },
]
