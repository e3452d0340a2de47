import { type Faulty, STAGE } from '../../../../testing/cases'
import { fmt, worked } from '../../../../testing/plans'
import { drawing } from '../../../../testing/overlaid'

export const CASES: readonly Faulty[] = [
  {
    name: 'a pen without a lead',
    gives: ['K19'],
    plan: drawing({ links: { pen: undefined } }),
    offers: ['Lead its pen to pc', 'Give up drawing Marks on pad'],
    says: ['The pen of pad leads to no computer'],
  },
  {
    name: 'a pen that leads to the computer with the slides',
    gives: ['K19'],
    plan: drawing({ links: { pen: 'pad.pen > slides.pen control-usb 2' } }),
    offers: ['Lead its pen to pc'],
    says: ['leads to slides', 'are made by pc'],
  },
  {
    name: 'marks that are to be drawn on a plain screen',
    gives: ['K19'],
    plan: drawing({ drawnOn: 'scr' }),
    offers: ['Draw Marks on pad'],
    says: ['scr, which has no pen'],
  },
  {
    name: 'a drawing display that shows the slides alone',
    gives: ['K19'],
    plan: drawing({ links: { show: 'slides.hdmi-2 > pad.in hdmi-passive 2' } }),
    offers: ['Show the screen of pc at pad'],
    says: ['pad shows slides HDMI 2, in which Marks is not seen'],
  },
  {
    name: 'marks that come four frames of 40 ms after the pen',
    gives: ['K19'],
    // The computer 1.5 frames, the switcher 1.5, the display 1: 160 ms.
    plan: drawing({ format: '1080p25' }),
    offers: ['Show the screen of pc at pad'],
    says: ['160\u00A0ms after it is drawn', '100\u00A0ms'],
  },
  {
    name: 'marks in a box of four fifths, drawn over the whole display',
    gives: ['K19'],
    // A tenth of 1920 and of 1080 at every corner: 192 and 108 pixels, 220 across.
    plan: drawing({ box: { x: 0.1, y: 0.1, w: 0.8, h: 0.8 } }),
    offers: ['Lay Marks over the whole picture, one to one'],
    says: ['up to 220 pixels beside the pen'],
  },
  {
    name: 'a computer of 16:10 beside bars, and a pen on 16:9',
    gives: ['K19'],
    // Nine tenths of the width are picture: a twentieth of 1920 at each side.
    plan: drawing({ aspect: '16:10' }),
    offers: ['Lay Marks over the whole picture, one to one'],
    says: ['up to 96 pixels beside the pen'],
  },
  {
    name: 'a display that is to be drawn on with a pen into nothing, at a plain switcher',
    gives: ['K19'],
    plan: worked({
      devices: {
        pc: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p59.94') } } },
        main: STAGE,
        pad: 'display-drawing-large',
        proj: 'projector',
      },
      links: {
        a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2',
        s: 'main.out-2 > pad.in hdmi-passive 2',
        p: 'main.out-1 > proj.in hdmi-passive 2',
      },
      wants: { proj: 'program', pad: 'program' },
      overlays: { marks: { title: 'Marks', order: 1, kind: 'luma', fill: 'pc', drawnOn: 'pad' } },
    }),
    offers: ['Lead its pen to pc'],
    says: ['leads to no computer'],
  },
]
