import { tracedOf } from '#core/chain'
import { profilesOf } from './profiles'
import { describe, expect, it } from 'vitest'
import { LEADS, leadGrams } from '#core/cable'
import { MODELS, bodyOf } from '#core/catalog'
import { applyEdits, emptyPlan, type Plan } from '#core/document'
import { check } from '#core/features'
import { papersOf } from '#core/asked'
import { CLEAN } from '../../../testing/clean'
import { fmt, plan } from '../../../testing/plans'
import { gradeOf } from './grade'
import { costOf } from './money'
import { weightOf } from './weight'
import { askedOf, waysToSwitch } from './which'
import { workOf } from './work'
import { kgText, minutesText } from './words'

/** One whole show, whose figures are reckoned by hand in the tests below. */
const SHOW = {
  brief: {
    access: '15:00',
    rehearsal: '18:00',
    start: '19:00',
    end: '21:00',
    viewers: 200,
    audience: 80,
    budgetMinor: 300_000,
  },
  devices: {
    a: { model: 'camera-box-hdmi', place: 'stage' },
    b: { model: 'camera-hand-hdmi', place: 'pit' },
    main: { model: 'switcher-8-hdmi', place: 'desk', standard: fmt('1080p59.94') },
    rec: { model: 'recorder-hdmi', place: 'desk' },
    house: 'desk-house',
  },
  links: {
    x: 'a.hdmi > main.in-1 hdmi-passive 2',
    z: 'main.out-1 > rec.in hdmi-passive 2',
  },
  kit: {
    box: { kind: 'model', id: 'camera-box-hdmi', owned: 2 },
    hand: { kind: 'model', id: 'camera-hand-hdmi', owned: 0, hired: 1 },
    mixer: { kind: 'model', id: 'switcher-8-hdmi', owned: 0, used: 1 },
    lead: { kind: 'lead', id: 'hdmi-passive', pieceM: 5, owned: 0, bought: 2 },
  },
  goods: {
    stand: {
      title: 'Stand',
      order: 1,
      kind: 'stand',
      count: 2,
      had: 'hired',
      eachMinor: 800,
      grams: 3500,
      litres: 20,
      place: 'stage',
    },
    tape: { title: 'Tape', order: 2, kind: 'tape', count: 3, had: 'bought', grams: 300, litres: 1 },
    box: { title: 'Case', order: 3, kind: 'case', grams: 7000, holdsLitres: 60 },
    van: { title: 'Van', order: 4, kind: 'van', had: 'hired', eachMinor: 9000, holdsGrams: 900_000 },
  },
  services: {
    relay: { title: 'Relay', order: 1, per: 'hour', eachMinor: 1200 },
    call: { title: 'Call', order: 2, per: 'viewer hour', eachMinor: 5 },
    hall: { title: 'Hall', order: 3, per: 'show', eachMinor: 40_000 },
  },
  people: {
    ann: { name: 'Ann', order: 1, payMinor: 2000, paidBy: 'hour' },
    bo: { name: 'Bo', order: 2, payMinor: 15_000 },
    cy: { name: 'Cy', order: 3 },
  },
  jobs: {
    carry: { title: 'Carry in', order: 1, when: 'build', minutes: 30, people: { ann: true, bo: true } },
    stands: { title: 'Stands', order: 2, when: 'build', minutes: 40, after: { carry: true }, people: { ann: true } },
    lay: { title: 'Lay cables', order: 3, when: 'build', minutes: 60, after: { carry: true }, people: { bo: true } },
    test: { title: 'Test', order: 4, when: 'build', minutes: 20, after: { stands: true, lay: true } },
    away: { title: 'Pack', order: 5, when: 'strike', minutes: 45, people: { ann: true } },
  },
} as const satisfies Parameters<typeof plan>[0]
const traced = check(plan(SHOW)).traced
const changed = (more: object) => check(plan({ ...SHOW, ...more } as never)).traced

describe('money', () => {
  const cost = costOf(traced)
  it('goes by steps from what is owned to the whole', () => {
    expect(cost.sums).toEqual({
      // One camera of the two on the shelf: 520.00.
      owned: 52_000,
      // A tenth of 950.00, two stands at 8.00, the van at 90.00.
      hired: 9_500 + 1_600 + 9_000,
      // Six tenths of 1250.00, and two leads of 5 m at 15.00; the tape has no price.
      bought: 75_000 + 2 * 1_500,
      // The recorder, which nobody has counted.
      missing: 42_000,
      // 2 h x 12.00, 200 viewers x 2 h x 0.05, the hall.
      services: 2_400 + 2_000 + 40_000,
      // 110 min of building (30 + 60 + 20), 180 on, 45 to strike: 335 min are twelve half hours begun, 6 h; Bo by the show.
      crew: 6 * 2_000 + 15_000,
    })
    expect(cost.spendMinor).toBe(20_100 + 78_000 + 42_000 + 44_400 + 27_000)
    expect(cost.wholeMinor).toBe(cost.spendMinor + 52_000)
    // 2 h x 0.05 for each who watches more.
    expect(cost.perViewerMinor).toBe(10)
  })
  it('tells what nobody has said, and has it in no sum', () => {
    expect(cost.unknown.map(({ title, lacks }) => [title, lacks])).toEqual([['Tape', 'its price']])
    const open = costOf(changed({ brief: {} }))
    expect(open.unknown.map(({ title, lacks }) => `${title}: ${lacks}`).sort()).toEqual([
      'Ann: how long the show lasts',
      'Call: how long the show lasts and how many watch',
      'Relay: how long the show lasts',
      'Tape: its price',
    ])
    expect(open.sums.services).toBe(40_000)
  })
  it('adds up, line by line, on every clean plan', () => {
    for (const [name, clean] of Object.entries(CLEAN)) {
      const { lines, sums, wholeMinor, spendMinor } = costOf(check(clean).traced)
      expect(
        lines.reduce((sum, { minor = 0 }) => sum + minor, 0),
        name,
      ).toBe(wholeMinor)
      expect(spendMinor + sums.owned, name).toBe(wholeMinor)
      for (const { count, eachMinor = 0, minor } of lines) expect(minor).toBe(count * eachMinor)
    }
  })
})

describe('weight', () => {
  const weight = weightOf(traced)
  const at = (place: string | undefined) => weight.positions.find(position => position.place === place)!
  it('is that of each position as a unit', () => {
    expect(at('stage')).toMatchObject({
      grams: 600 + 2 * 3500,
      litres: 2 + 2 * 20,
      watts: 7,
      mostWatts: 10,
      unknown: 0,
    })
    expect(at('desk')).toMatchObject({ grams: 2900 + 1400, watts: 50, mostWatts: 78 })
    expect(at('pit').grams).toBe(900)
    // The desk of the house does not travel, and the tape stands nowhere.
    expect(at(undefined)).toMatchObject({ grams: 900, devices: [] })
  })
  it('counts leads and cases, and what the cases hold', () => {
    // Two pieces of 5 m at 90 g a metre.
    expect(weight.leads).toEqual({ pieces: 2, grams: 900, unknown: 0 })
    expect(weight.cases).toMatchObject({ count: 1, grams: 7000, holdsLitres: 60 })
    // 42 + 16 + 3 + 3 litres at the places, and two litres a kilogram of leads.
    expect(weight.cases.needsLitres).toBeCloseTo(42 + 16 + 3 + 3 + 1.8, 5)
    expect(weight.grams).toBe(7600 + 4300 + 900 + 900 + 900 + 7000)
    expect([weight.known, weight.of]).toEqual([9, 9])
    expect(weight.vans).toEqual([{ id: 'van', title: 'Van', holdsGrams: 900_000 }])
  })
  it('tells what is not known, and what is shut in and warm', () => {
    const other = weightOf(
      changed({
        goods: { sack: { title: 'Sack', order: 1, kind: 'weight', place: 'pit' } },
        devices: { ...SHOW.devices, big: { model: 'switcher-12-sdi', place: 'pit', boxed: true } },
      }),
    )
    expect(other.positions.find(({ place }) => place === 'pit')).toMatchObject({ unknown: 1, warm: ['big'] })
    expect(other.of - other.known).toBe(1)
  })
})

describe('work', () => {
  const { build, strike, thereMinutes } = workOf(traced.plan)
  it('takes as long as its longest path', () => {
    expect([build.minutes, build.handMinutes, strike.minutes, thereMinutes]).toEqual([110, 150, 45, 180])
    const told = build.jobs.map(({ id, from, latest, longest }) => [id, from, latest, longest])
    expect(told).toEqual([
      ['carry', 0, 0, true],
      ['stands', 30, 50, false],
      ['lay', 30, 30, true],
      ['test', 90, 90, true],
    ])
    expect([build.torn, build.loose]).toEqual([[], ['test']])
  })
  it('tells who would do two things at once, and what waits for itself', () => {
    const jobs = {
      ...SHOW.jobs,
      lay: { ...SHOW.jobs.lay, people: { ann: true } },
      egg: { title: 'Egg', order: 6, when: 'build', minutes: 10, after: { hen: true } },
      hen: { title: 'Hen', order: 7, when: 'build', minutes: 10, after: { egg: true } },
    }
    const other = workOf(changed({ jobs }).plan)
    expect(other.build.torn).toEqual([{ person: 'ann', jobs: ['stands', 'lay'] }])
    expect(other.build.jobs.filter(({ rings }) => rings).map(({ id }) => id)).toEqual(['egg', 'hen'])
    expect(other.build.minutes).toBe(110)
  })
  it('is no shorter than any chain of jobs, and each can begin at its latest without delay, over random orders', () => {
    let state = 7
    const next = (n: number) => (state = (state * 1103515245 + 12345) % 2147483648) % n
    for (let round = 0; round < 60; round++) {
      const ids = Array.from({ length: 2 + next(7) }, (_, i) => `job-${i}`)
      const jobs = Object.fromEntries(
        ids.map((id, i) => {
          const after = ids.slice(0, i).filter(() => next(3) === 0)
          return [
            id,
            {
              title: id,
              order: i,
              when: 'build' as const,
              minutes: 1 + next(60),
              ...(after.length ? { after: Object.fromEntries(after.map(one => [one, true as const])) } : {}),
            },
          ]
        }),
      )
      // Every chain, by walking all of them.
      const longestTo = (id: string): number =>
        jobs[id]!.minutes + Math.max(0, ...Object.keys(jobs[id]!.after ?? {}).map(longestTo))
      const found = workOf({ ...traced.plan, jobs } as Plan).build
      expect(found.minutes).toBe(Math.max(...ids.map(longestTo)))
      for (const { id, from, latest, longest } of found.jobs) {
        expect(from).toBe(longestTo(id) - jobs[id]!.minutes)
        expect(latest).toBeGreaterThanOrEqual(from)
        // A job that is begun later than its latest makes all longer; at its latest, it does not.
        const later = { ...jobs, [id]: { ...jobs[id]!, minutes: jobs[id]!.minutes + (latest - from) } }
        const longer = { ...jobs, [id]: { ...jobs[id]!, minutes: jobs[id]!.minutes + (latest - from) + 1 } }
        expect(workOf({ ...traced.plan, jobs: later } as Plan).build.minutes).toBe(found.minutes)
        expect(workOf({ ...traced.plan, jobs: longer } as Plan).build.minutes).toBe(found.minutes + 1)
        expect(longest).toBe(latest === from)
      }
    }
  })
})

describe('which switcher', () => {
  it('is asked for what the plan has', () => {
    expect(askedOf(traced)).toMatchObject({ sdi: 0, hdmi: 2, odd: 0, keys: 0, sound: 0, panel: true })
    const more = changed({
      brief: { ...SHOW.brief, spareInputs: 3, isolated: true },
      devices: { ...SHOW.devices, c: 'camera-studio-sdi' },
      wants: { rec: 'program' },
    })
    expect(askedOf(more)).toMatchObject({
      sdi: 1,
      hdmi: 2,
      spare: 3,
      records: false,
      isolated: true,
      outputs: { program: 1 },
    })
  })
  it('is the cheapest that has all that is asked, against trying every row', () => {
    const asked = { ...askedOf(traced), hdmi: 5, spare: 1, outputs: { program: 2, clean: 0, preview: 0, multiview: 1 } }
    const [smallest, ...others] = waysToSwitch(traced, asked)
    expect(smallest!.cannot).toEqual([])
    // Of switchers with six HDMI inputs or more: eight with scalers 1250; mixed ones have four and want converters.
    expect(smallest!.models).toEqual(['switcher-8-hdmi'])
    expect(smallest!.minor).toBe(125_000)
    const used = others.find(({ how }) => how === 'used')!
    expect(used.minor).toBe(75_000)
    const two = others.find(({ how }) => how === 'two')!
    expect(two.models).toHaveLength(2)
    expect(two.cannot).toContain('one picture of the feeder at a time')
    // Four and four less the link.
    expect(two.inputs).toBeGreaterThanOrEqual(6)
  })
  it('credits what is owned, and counts converters, scalers and splitters', () => {
    const owned = changed({
      devices: { ...SHOW.devices, main: 'switcher-4-strict 1080p59.94' },
      kit: { mixer: { kind: 'model', id: 'switcher-4-strict', owned: 1 } },
    })
    const asked = {
      ...askedOf(owned),
      sdi: 1,
      hdmi: 3,
      odd: 2,
      outputs: { program: 2, clean: 0, preview: 0, multiview: 0 },
    }
    const [smallest] = waysToSwitch(owned, asked)
    expect(smallest!.models).toEqual(['switcher-4-strict'])
    expect(smallest!.creditMinor).toBe(38_000)
    // One SDI picture comes by a converter at 65.00, two odd ones by scalers at 240.00; a second program, if there is no socket, by a splitter at 45.00.
    const outs = Object.values(MODELS.get('switcher-4-strict')!.ports).filter(
      ({ dir, feeds }) => dir === 'out' && feeds?.includes('program'),
    ).length
    expect(smallest!.minor).toBe(6_500 + 2 * 24_000 + (outs < 2 ? 4_500 : 0))
  })
  it('counts the looks that two small ones cannot show, for the choice behind the link that loses fewest', () => {
    const look = (title: string, ...sources: string[]) => ({ look: title, title, sources, overlays: [] })
    const two = (hdmi: number, ...looks: ReturnType<typeof look>[]) =>
      waysToSwitch(traced, { ...askedOf(traced), hdmi, spare: 0, looks }).find(({ how }) => how === 'two')!
    const everybody = Array.from({ length: 24 }, (_, i) => `cam-${i}`)
    // Six pictures find a pair whose last has room for all that are seen together.
    expect(two(6, look('All', ...everybody.slice(0, 6))).cannot.join()).not.toMatch(/looks/)
    // The most inputs of the catalogue are 20: one is for the link, so five of 24 stand behind it.
    const { cannot } = two(24, look('Duet', 'cam-0', 'cam-1'), look('All', ...everybody))
    expect(cannot).toContain('1 of 2 looks: All')
  })
  it('says what a computer that mixes lacks', () => {
    const ways = waysToSwitch(traced, { ...askedOf(traced), hdmi: 6 })
    expect(ways.find(({ how }) => how === 'computer')!.cannot.join()).toMatch(/inputs, 6 are needed/)
  })
})

describe('what the number of those who watch asks for', () => {
  it('grows with it, and is silent where nobody has said it', () => {
    expect(gradeOf(changed({ brief: {} }))).toBeUndefined()
    const held = (people: number) => gradeOf(changed({ brief: { audience: people } }))!.held.length
    expect([held(10), held(99)]).toEqual([1, 1])
    expect(held(100)).toBeGreaterThan(1)
    expect(held(1000)).toBeGreaterThan(held(100))
    const large = gradeOf(changed({ brief: { audience: 5000, spareInputs: 1 }, wants: { rec: 'program' } }))!
    expect(large.held.find(({ title }) => title.startsWith('an input'))!.there).toBe(true)
    // All hangs on the one switcher.
    expect(large.held.find(({ title }) => title.startsWith('nothing by'))!.there).toBe(false)
  })
})

describe('the catalogue', () => {
  it('says of every row what it weighs, what room it takes, and what it draws at the most', () => {
    for (const [id, model] of MODELS) {
      const { grams, litres, mostWatts } = bodyOf(model)
      expect(
        [grams, litres, mostWatts].every(value => value !== undefined),
        id,
      ).toBe(true)
      expect(mostWatts!, id).toBeGreaterThanOrEqual(model.watts)
      // What draws is there, unless it belongs to the house or is far away.
      if (model.watts > 0 && model.priceMinor > 0) expect(grams!, id).toBeGreaterThan(0)
      expect(grams === 0, id).toBe(litres === 0)
    }
    for (const [id, lead] of LEADS) expect(leadGrams(lead, 1), id).toBeGreaterThan(0)
  })
  it('knows the body of rows that were copied before rows said it', () => {
    const { grams: _, litres: __, mostWatts: ___, ...old } = MODELS.get('camera-studio-sdi')!
    expect(bodyOf(old).grams).toBe(4200)
    expect(bodyOf({ ...old, from: undefined } as never).grams).toBeUndefined()
  })
})

describe('papers', () => {
  it('tell every line, what goes into the van, and the order of building', () => {
    const papers = papersOf(check(plan(SHOW)), { length: 'm' })
    const rows = (id: string) => papers.find(paper => paper.id === id)!.rows
    expect(rows('budget').at(-1)).toMatchObject({ step: 'To be paid', sum: '2115 EUR'.replace(' ', '\u00A0') })
    expect(rows('packing').map(({ item, sum }) => `${item}: ${sum}`)).toEqual(
      expect.arrayContaining(['Stand: 7\u00A0kg', 'Passive HDMI, 5\u00A0m: 900\u00A0g', 'Case: 7\u00A0kg']),
    )
    expect(rows('packing').some(({ item }) => item!.includes('of the house'))).toBe(false)
    expect(rows('work').map(({ job, spare }) => [job, spare])).toContainEqual(['Stands', '20\u00A0min'])
  })
  it('are not there where there is nothing to say', () => {
    expect(papersOf(check(emptyPlan('Empty')), { length: 'm' }).map(({ id }) => id)).not.toContain('budget')
  })
  it.each([
    [999, '999\u00A0g'],
    [1000, '1\u00A0kg'],
    [128_400, '128\u00A0kg'],
  ])('%i g is %s', (grams, words) => expect(kgText(grams)).toBe(words))
  it.each([
    [45, '45\u00A0min'],
    [120, '2\u00A0h'],
    [135, '2\u00A0h 15\u00A0min'],
  ])('%i minutes are %s', (minutes, words) => expect(minutesText(minutes)).toBe(words))
})

it('money, weight and work change no finding: what is no fault is not told as one', () => {
  const before = check(plan({ ...SHOW, goods: {}, services: {}, jobs: {} })).findings.map(({ key }) => key)
  expect(check(plan(SHOW)).findings.map(({ key }) => key)).toEqual(before)
  expect(applyEdits(traced.plan, [{ do: 'remove', collection: 'jobs', id: 'carry' }]).ok).toBe(true)
})

describe('over all clean plans', () => {
  it('weight is what the positions, leads and cases weigh together, and no figure is none', () => {
    for (const [name, clean] of Object.entries(CLEAN)) {
      const weight = weightOf(check(clean).traced)
      const sum = weight.positions.reduce((grams, position) => grams + position.grams, 0)
      expect(weight.grams, name).toBeCloseTo(sum + weight.leads.grams + weight.cases.grams, 6)
      expect(weight.known, name).toBe(weight.of)
      for (const { watts, mostWatts } of weight.positions) expect(mostWatts).toBeGreaterThanOrEqual(watts)
    }
  })
  it('asking for more never makes the smallest switcher cheaper', () => {
    for (const [name, clean] of Object.entries(CLEAN).filter((_, i) => i % 9 === 0)) {
      const { traced: here } = check(clean)
      const asked = askedOf(here)
      const least = (of: typeof asked) => waysToSwitch(here, of)[0]!
      const before = least(asked)
      const more = [
        { ...asked, hdmi: asked.hdmi + 1 },
        { ...asked, sdi: asked.sdi + 1 },
        { ...asked, spare: asked.spare + 2 },
        { ...asked, keys: asked.keys + 1 },
        { ...asked, odd: asked.odd + 1, hdmi: asked.hdmi + 1 },
        { ...asked, outputs: { ...asked.outputs, clean: asked.outputs.clean + 1 } },
        { ...asked, isolated: true },
      ]
      for (const [i, one] of more.entries()) {
        const after = least(one)
        // Where nothing fits any more, what is nearest may lack more and cost less.
        if (after.cannot.length > before.cannot.length) continue
        expect(after.minor + after.creditMinor, `${name} ${i}`).toBeGreaterThanOrEqual(
          before.minor + before.creditMinor,
        )
      }
    }
  })
})

describe('an edit of money, weight or work', () => {
  it('moves what it says and nothing else, over all of the kinds', () => {
    const before = costOf(traced)
    const weigh = weightOf(traced)
    for (const had of ['owned', 'hired', 'bought', 'used'] as const)
      for (const count of [1, 4]) {
        const more = changed({
          goods: {
            ...SHOW.goods,
            extra: { title: 'Extra', order: 9, kind: 'tool', had, count, eachMinor: 700, grams: 250, place: 'pit' },
          },
        })
        const step = had === 'used' ? 'bought' : had
        const after = costOf(more)
        expect(after.sums).toEqual({ ...before.sums, [step]: before.sums[step] + 700 * count })
        expect(after.spendMinor - before.spendMinor).toBe(had === 'owned' ? 0 : 700 * count)
        expect(weightOf(more).grams - weigh.grams).toBe(250 * count)
        expect(weightOf(more).positions.find(({ place }) => place === 'pit')!.grams).toBe(900 + 250 * count)
      }
  })
  it('to another place moves the weight there, and the sum stays', () => {
    const moved = weightOf(changed({ devices: { ...SHOW.devices, b: { ...SHOW.devices.b, place: 'desk' } } }))
    expect(moved.grams).toBe(weightOf(traced).grams)
    expect(moved.positions.find(({ place }) => place === 'pit')).toBeUndefined()
    expect(moved.positions.find(({ place }) => place === 'desk')!.grams).toBe(2900 + 1400 + 900)
  })
  it('of a service by its unit: once, by the hour, by the viewer, by both; what is said there goes before the brief', () => {
    const priced = (service: object) =>
      costOf(changed({ services: { s: { title: 'S', order: 1, eachMinor: 10, ...service } } })).sums.services
    // The show lasts two hours and two hundred watch.
    expect(priced({ per: 'show' })).toBe(10)
    expect(priced({ per: 'hour' })).toBe(20)
    expect(priced({ per: 'hour', hours: 5 })).toBe(50)
    expect(priced({ per: 'viewer' })).toBe(2_000)
    expect(priced({ per: 'viewer', viewers: 7 })).toBe(70)
    expect(priced({ per: 'viewer hour' })).toBe(4_000)
    expect(priced({ per: 'viewer hour', viewers: 10, hours: 1 })).toBe(100)
  })
})

describe('recorded, or mixed live', () => {
  // Two cameras of 600 g and 6 W, one into a recorder of its own; the show lasts two hours.
  const show = plan({
    brief: { start: '19:00', end: '21:00' },
    devices: {
      a: 'camera-box-hdmi 1080p59.94',
      b: 'camera-box-hdmi 1080p59.94',
      split: 'splitter-hdmi',
      iso: 'recorder-hdmi',
      pc: 'computer 1080p59.94',
      mic: 'microphone-radio',
      main: 'switcher-4-strict 1080p59.94',
      hall: 'projector',
    },
    links: {
      s: 'a.hdmi > split.in hdmi-passive 1',
      i: 'split.out-1 > iso.in hdmi-passive 1',
      a: 'split.out-2 > main.in-1 hdmi-passive 1',
      b: 'b.hdmi > main.in-2 hdmi-passive 1',
      p: 'pc.hdmi-1 > main.in-3 hdmi-passive 1',
      m: 'mic.out > main.sound mini-jack-lead 1',
      h: 'main.out-1 > hall.in hdmi-passive 2',
    },
    wants: { hall: 'program' },
  })
  it('says what each alone takes, whose picture nothing keeps, and the hours that switching saves', () => {
    const { recorded, live, unkept, editHours, cameras } = profilesOf(tracedOf(show))
    // Recorded: two cameras, splitter, recorder, microphone. Live: all but the recorder.
    expect([recorded.devices, live.devices]).toEqual([5, 7])
    expect(recorded.alone).toEqual(['iso'])
    expect([...live.alone].sort()).toEqual(['hall', 'main', 'pc'])
    // Leads between what is there: s and i; s, a, b, p, m and h.
    expect([recorded.leads, live.leads]).toEqual([2, 6])
    const grams = (...ids: string[]) => ids.reduce((sum, id) => sum + bodyOf(MODELS.get(id)!).grams!, 0)
    expect(recorded.grams).toBe(1200 + grams('splitter-hdmi', 'recorder-hdmi', 'microphone-radio'))
    expect(unkept).toEqual(['b'])
    // Two cameras, two hours, gone through once, and one and a half times.
    expect([cameras, editHours, profilesOf(tracedOf(show), 1.5).editHours]).toEqual([2, 4, 6])
    expect(profilesOf(tracedOf({ ...show, brief: {} })).editHours).toBeUndefined()
  })
})
