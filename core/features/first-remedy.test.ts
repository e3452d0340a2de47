import { describe, expect, it } from 'vitest'
import { sampled } from '../../testing/soak'
import { type Edit, applyEdits } from '#core/document'
import { type Remedy, remediesOf } from '#core/propose'
import { FAULTY } from '../../testing/faulty'
import { check } from './index'

/** Faulty plans by name, with what a technician would do first and why. */
const FIRST: readonly (readonly [plan: string, first: RegExp, why: string])[] = [
  ['raster differs', /^Set cam to 1080p59\.94$/, 'a menu costs nothing'],
  ['integer against 1000/1001', /^Set pc to 1080p59\.94$/, 'the desktop has the rate'],
  ['interlaced into progressive', /^Set cam to 1080p25$/, 'the camera has a progressive setting'],
  ['no setting gives the standard', /^Put in SDI scaler and rate converter/, 'one box, before another camera or show'],
  ['a capture device that lacks the rate', /^Put in HDMI scaler/, 'one box, before a lower rate for the whole show'],
  ['a port whose class is too low', /^Set pc to 1080p/, 'the picture is set smaller before anything is bought'],
  [
    'a converter that does not pass the rate',
    /^Use another converter: USB-C to HDMI converter with/,
    'the same box, right',
  ],
  ['level B into a switcher that takes level A', /^Set cam to level A$/, 'a menu'],
  [
    'level B from a converter into a recorder',
    /^Put in SDI level converter/,
    'nothing can be set: the box made for it',
  ],
  ['full range read as narrow', /^Set pc to narrow range$/, 'a setting'],
  ['a media player that is still protected, behind a splitter', /^Set box to send/, 'a setting of the player'],
  ['readouts that can be switched off', /^Switch the readouts off/, 'a setting'],
  ['a phone without the application that sends its picture alone', /^Use an application/, 'no hardware'],
  ['cameras of 59.94 frames under lamps of 50 Hz', /^Set the shutter of cam to 1\/100$/, 'two half waves of 50 Hz'],
  ['a stream asked for in 25 frames', /^Put in HDMI scaler/, 'one converter, before another rate for the show'],
  ['switchers in different standards', /^Put in HDMI scaler/, 'one converter, before another standard'],
  ['a computer that nobody has fixed', /^Set pc to 1080p59\.94$/, 'fix it in the desktop'],
  ['a camera left at log', /^Set cam to SDR$/, 'a menu'],
  ['25 frames into a scaling switcher at 59.94', /^Set cam to 1080p59\.94$/, 'the camera, not the show'],
  ['quarters put together otherwise than they were taken apart', /^Set cam to square division$/, 'a menu'],
  ['a splitter that shows the list of a monitor', /^Set pc to/, 'a fixed output asks nobody'],
  ['micro socket without adapter', /^Take 5 m Passive HDMI with adapter$/, 'the very cable, with the plug it lacks'],
  ['SDI into HDMI with coax', /^Put in SDI to HDMI converter/, 'the plainest converter; the coax stays'],
  [
    'a plug adapter in the place of a converter',
    /^Put in USB-C to HDMI converter with charging/,
    'a converter; it also charges',
  ],
  [
    'a converter that stands the wrong way round',
    /^In its place: HDMI to SDI converter$/,
    'the right box, not a second one',
  ],
  ['the two ends of an extender, each in the other\u2019s place', /change places$/, 'nothing is bought'],
  ['optical HDMI laid the wrong way round', /^Turn the cable round$/, 'turn it'],
  ['two cables in one input', /^Move it to main input 2$/, 'an input is free'],
  ['one output in two cables', /^Take it from pc HDMI 2/, 'the second socket is free, before a splitter'],
  ['output to output', /^Move the end to main input 1$/, 'the right socket of that device'],
  ['a port that the model lacks', /^Use main input 2$/, 'the socket that is there'],
  ['a cable that ends loose', /^Connect it to main input 1/, 'plug it in'],
  ['a feeder that sends its preview on', /^Point side output 2 at program$/, 'a setting'],
  ['fewer cameras in the kit than in the plan', /^Hire 1 more/, 'for a day one hires'],
  ['two cameras of one name', /^Number those called Left$/, 'a label'],
  ['passive HDMI that is dark', /^Take 30 m Optical HDMI$/, 'a cable, before any box'],
  ['coax beyond reach', /^Take 75 m RG-6/, 'better coax, before fibre and amplifier'],
  ['a control lead by USB beyond 5 m', /^Use main Control \(network\)/, 'the other socket of the same device'],
  ['the hall fed from a feeder', /^Feed it from main output 2/, 'what was asked, before asking for less'],
  ['the multiview shown to the audience', /^Point main output 2 at program$/, 'a setting'],
  ['a wanted sink without a feed, with an output free', /^Feed it from main output 2/, 'the free output'],
  ['one output for multiview and program', /^Feed it from main output 1/, 'the output that carries program'],
  ['a stream that nobody hears', /^Open the sound of main input 1$/, 'the sound is there, shut'],
  ['a microphone straight into a jack for line', /^Move it to main Sound in 2/, 'the socket for microphones'],
  ['a microphone at the switcher without delay', /^Hold the sound at main back by 150 ms$/, 'a setting'],
  ['a camera that switches itself off in the show', /^Switch off what ends cam/, 'a menu'],
]

const boxes = ({ edits }: Remedy): number =>
  edits.filter(({ do: does, ...edit }) => does === 'add' && (edit as { collection?: string }).collection === 'devices')
    .length
const restandards = ({ edits }: Remedy): boolean =>
  edits.some(edit => edit.do === 'set' && edit.at[0] === 'devices' && edit.at[2] === 'standard')
const touched = (edit: Edit): string | undefined =>
  edit.do === 'set'
    ? edit.at.join('/')
    : edit.do === 'connect' || edit.do === 'disconnect'
      ? `links/${edit.id}`
      : undefined

describe('what is proposed first', () => {
  it.each(FIRST)('%s: %s, since %s', (name, first) => {
    const found = FAULTY.find(one => one.name === name)
    if (!found) throw new Error(`no faulty plan ${name}`)
    const checked = check(found.plan)
    expect(remediesOf(checked, checked.findings[0]!)[0]?.title).toMatch(first)
  })
  it('takes all that is proposed in the order of trouble, each once and to some purpose', () => {
    for (const { name, plan } of sampled(FAULTY, 3)) {
      const checked = check(plan)
      for (const finding of checked.findings) {
        const all = remediesOf(checked, finding)
        const where = `${name}: ${finding.key}`
        const own = all.filter(({ givesUp }) => !givesUp)
        expect(
          all.map(({ givesUp }) => givesUp === true),
          where,
        ).toEqual([...own.map(() => false), ...all.slice(own.length).map(() => true)])
        // A lower rate for the whole show never stands before what keeps it, unless it wants no gear and that does.
        const keeps = own.filter(remedy => remedy.effect.after.wanted >= remedy.effect.before.wanted)
        const lower = keeps.findIndex(restandards)
        const box = keeps.findIndex(remedy => boxes(remedy) === 1 && !restandards(remedy))
        if (lower >= 0 && box >= 0)
          expect(box, `${where}: ${all.map(({ title }) => title).join(' / ')}`).toBeLessThan(lower)
        // Alike sockets are one: no two titles differ in the number of an input or output of one device alone.
        const plain = own
          .filter(({ title }) => title.startsWith('Move it to'))
          .map(({ edits }) => JSON.stringify(edits.map(({ do: does }) => does)))
        expect(plain.length, where).toBeLessThanOrEqual(4)
        for (const { title, edits } of all) {
          const applied = applyEdits(plan, edits)
          expect(applied.ok && JSON.stringify(applied.value.plan) !== JSON.stringify(plan), `${where}: ${title}`).toBe(
            true,
          )
          const again = edits.map(touched).filter(path => path !== undefined)
          // A link may be taken out and laid anew once, and the ports of a model that goes; nothing is set twice.
          for (const path of new Set(again))
            expect(again.filter(one => one === path).length, `${where}: ${title}: ${path}`).toBeLessThanOrEqual(
              path.startsWith('links/') || path.endsWith('/ports') ? 2 : 1,
            )
          expect(title.length, where).toBeLessThanOrEqual(120)
          expect(title, where).not.toMatch(/, \d*(,|$)| {2}/)
        }
      }
    }
  })
})
