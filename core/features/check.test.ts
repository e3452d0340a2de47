import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits, canonicalPlan, openFile } from '#core/document'
import { boardOf } from '#core/features/board'
import { type Verdict, isClean } from '#core/kernel'
import { remediesOf } from '#core/propose'
import { CLEAN } from '../../testing/clean'
import { FAULTY } from '../../testing/faulty'
import { plan } from '../../testing/plans'
import { RULES, check, say } from './index'

const demo = (name: string): Plan => {
  const opened = openFile(readFileSync(new URL(`../../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return opened.value.plans.main!
}
const grave = ({ findings }: ReturnType<typeof check>) =>
  findings.filter(({ severity }) => severity !== 'N').map(({ id }) => id)
const noted = ({ findings }: ReturnType<typeof check>) =>
  findings.filter(({ severity }) => severity === 'N').map(({ id }) => id)

/** Severities of the catalogue of faults; notes where a school only notes. */
const GRAVITY: Readonly<Record<string, string>> = {
  F01: 'D',
  F02: 'D',
  F03: 'D',
  F04: 'D',
  F05: 'D',
  F06: 'D',
  F07: 'D',
  F08: 'D',
  F09: 'Q',
  F10: 'D',
  F11: 'Q',
  F12: 'Q',
  F13: 'Q',
  F14: 'Q',
  F15: 'Q',
  F16: 'DQ',
  F17: 'D',
  F18: 'R',
  F19: 'Q',
  F20: 'D',
  F21: 'R',
  F22: 'DQ',
  F23: 'Q',
  F24: 'Q',
  C18: 'R',
  C19: 'NR',
  // Noted, while nothing asks for anything yet.
  O17: 'DN',
  O18: 'R',
  C01: 'D',
  C02: 'D',
  C03: 'D',
  C04: 'D',
  C05: 'D',
  C06: 'D',
  C07: 'D',
  C08: 'D',
  C09: 'D',
  C10: 'R',
  C11: 'D',
  C12: 'D',
  C13: 'DR',
  C14: 'D',
  C15: 'R',
  C16: 'R',
  C17: 'R',
  L01: 'DRN',
  L02: 'D',
  L03: 'D',
  L04: 'D',
  L05: 'Q',
  L06: 'D',
  L07: 'H',
  L08: 'R',
  L09: 'R',
  O01: 'D',
  O02: 'D',
  O03: 'R',
  // Asked, where nothing says whether there is to be sound.
  A01: 'DN',
  A02: 'Q',
  A03: 'Q',
  A04: 'R',
  A05: 'D',
  A11: 'Q',
  A14: 'D',
  A15: 'DQ',
  A06: 'Q',
  A07: 'Q',
  A10: 'D',
  A12: 'Q',
  A13: 'Q',
  A16: 'Q',
  K01: 'D',
  K02: 'Q',
  K03: 'Q',
  K04: 'Q',
  K05: 'Q',
  // Noted, where a data sheet names no keyers.
  K06: 'DRN',
  K07: 'D',
  K08: 'D',
  K09: 'Q',
  K10: 'Q',
  K11: 'Q',
  K12: 'Q',
  K13: 'Q',
  K14: 'D',
  K15: 'D',
  K16: 'D',
  K17: 'H',
  K18: 'Q',
  K19: 'DRQ',
  N09: 'R',
  N10: 'D',
  // Dead, where its picture never comes to what lights the lamp.
  N11: 'RD',
  N12: 'N',
  N01: 'D',
  N02: 'D',
  N03: 'D',
  N04: 'R',
  N05: 'R',
  N06: 'R',
  N07: 'D',
  N08: 'R',
  N13: 'D',
  N14: 'R',
  N15: 'R',
  N16: 'R',
  N17: 'R',
  // Asked, where nothing says whether a recording is wanted.
  O04: 'RN',
  O05: 'D',
  O06: 'R',
  O07: 'R',
  O08: 'R',
  O09: 'R',
  O10: 'R',
  E02: 'R',
  O11: 'D',
  O13: 'D',
  O14: 'R',
  O15: 'R',
  O16: 'N',
  O12: 'D',
  O19: 'R',
  R03: 'R',
  R08: 'R',
  R09: 'R',
  R10: 'R',
  A08: 'QR',
  A09: 'Q',
  E01: 'RN',
  E03: 'Q',
  E04: 'Q',
  R01: 'R',
  R02: 'R',
  R05: 'Q',
  R04: 'R',
  R06: 'R',
  R07: 'D',
  P01: 'R',
  P02: 'D',
  P03: 'D',
  P04: 'RH',
  P05: 'DR',
  P06: 'R',
  P07: 'H',
  P08: 'Q',
  P09: 'H',
  P10: 'D',
  // Dark, where the voltage is wrong before any lead.
  P11: 'RD',
  P12: 'R',
}

describe('clean plans', () => {
  it.each(
    Object.entries({
      ...CLEAN,
      'Kiln Night': demo('kiln-night'),
      'Harbour Robotics Cup': demo('harbour-robotics-cup'),
      'Three-hall Science Fair': demo('three-hall-science-fair'),
      'Bookshop Reading': demo('bookshop-reading'),
      'Observatory Quiz': demo('observatory-quiz'),
    }),
  )('%s raises nothing', (_, clean) => {
    const checked = check(clean)
    const told = checked.findings.filter(({ severity, accepted }) => severity !== 'N' && accepted === undefined)
    expect(told.map(finding => say(finding))).toEqual([])
    expect(checked.verdict.arrive).toBe(checked.verdict.wanted)
    expect(isClean(checked.verdict)).toBe(true)
  })
  it('notes a length between the limits of the usual school', () => {
    const { findings } = check(CLEAN['the usual school notes but does not warn']!)
    expect(findings.map(({ id, severity }) => [id, severity])).toEqual([['L01', 'N']])
  })
})

describe('faulty plans', () => {
  it.each(FAULTY.map(faulty => [faulty.name, faulty] as const))(
    '%s',
    (_, { plan: faulty, gives, notes, says, offers }) => {
      const checked = check(faulty)
      expect(grave(checked)).toEqual(gives)
      if (notes) expect(noted(checked)).toEqual(notes)
      const told = gives.length > 0 ? checked.findings : checked.findings.filter(({ id }) => notes?.includes(id))
      const [first] = told
      for (const words of says) expect(say(first!)).toContain(words)
      const titles = remediesOf(checked, first!).map(({ title }) => title)
      for (const words of offers) expect(titles.join('\n')).toContain(words)
    },
  )
  it.each(FAULTY.map(faulty => [faulty.name, faulty] as const))(
    '%s is as grave as the catalogue of faults says, and stands on a lane where it is one of the board',
    (_, { plan: faulty }) => {
      const checked = check(faulty)
      const shown = new Set(boardOf(checked).lanes.flatMap(({ findings }) => findings))
      for (const { id, severity, key, at } of checked.findings) {
        expect(GRAVITY[id], id).toContain(severity)
        if (checked.by.screenOf(at) === 'runs') expect(shown.has(key), key).toBe(true)
      }
    },
  )
  it('has a faulty plan for every rule, twice', () => {
    for (const { code: id } of RULES)
      expect(
        FAULTY.filter(({ gives, notes = [] }) => [...gives, ...notes].includes(id)).length,
        id,
      ).toBeGreaterThanOrEqual(2)
  })
  it('speaks in feet as well', () => {
    const { findings } = check(FAULTY.find(({ name }) => name === 'passive HDMI that is dark')!.plan)
    // 25 m / 0.3048 = 82.02 ft, 15 m = 49.2 ft
    expect(say(findings[0]!, { length: 'ft' })).toMatch(/82\u00A0ft long.*49\u00A0ft/)
  })
  it('gives the same findings whatever the order of the file', () => {
    for (const { plan: faulty } of FAULTY) {
      const turned = {
        ...faulty,
        devices: Object.fromEntries(Object.entries(faulty.devices).reverse()),
        links: Object.fromEntries(Object.entries(faulty.links).reverse()),
      }
      expect(check(turned).findings).toEqual(check(faulty).findings)
    }
  })
})

/** What a remedy must leave alone: sources, sinks, wants, measured routes, models, the brief. */
function keepsDemands(before: Plan, after: Plan, givesUp: boolean): void {
  for (const [id, device] of Object.entries(before.devices)) {
    const role = before.models[device.model]!.role
    if (role === 'source' && givesUp) continue
    if (role === 'source' || role === 'sink' || role === 'switcher' || role === 'sound')
      expect(after.devices, id).toHaveProperty([id])
  }
  if (!givesUp) {
    expect(after.wants).toMatchObject(before.wants)
    expect(after.brief).toMatchObject(before.brief)
  }
  for (const [id, model] of Object.entries(before.models)) expect(after.models[id]).toEqual(model)
  for (const [id, link] of Object.entries(before.links)) {
    const now = after.links[id]
    if (link.routeM === undefined || !now?.from || !now.to || !link.from || !link.to) continue
    const same = now.from.device === link.from.device && now.to.device === link.to.device
    if (same) expect(now.routeM, id).toBe(link.routeM)
  }
}

describe('remedies keep their word', () => {
  const plans: [string, Plan][] = [
    ...FAULTY.map(({ name, plan: faulty }): [string, Plan] => [name, faulty]),
    ['Kiln Night draft', demo('kiln-night-draft')],
    ['Harbour Robotics Cup draft', demo('harbour-robotics-cup-draft')],
    ['Bookshop Reading draft', demo('bookshop-reading-draft')],
    ['Observatory Quiz draft', demo('observatory-quiz-draft')],
  ]
  it.each(plans)('%s', (_, faulty) => {
    const checked = check(faulty)
    let offered = 0
    for (const finding of checked.findings) {
      const remedies = remediesOf(checked, finding)
      offered += remedies.length
      remedies.forEach((remedy, i) => {
        const applied = applyEdits(faulty, remedy.edits)
        expect(applied.ok, remedy.title).toBe(true)
        if (!applied.ok) return
        const next = check(applied.value.plan)
        const keys = new Set(checked.findings.map(({ key }) => key))
        expect(
          next.findings.map(({ key }) => key),
          remedy.title,
        ).not.toContain(finding.key)
        expect(
          next.findings.filter(({ key, severity }) => !keys.has(key) && 'HDR'.includes(severity)).map(({ key }) => key),
          remedy.title,
        ).toEqual([])
        const dark = ({ wanted, arrive }: Verdict) => wanted - arrive
        if (remedy.givesUp) expect(dark(next.verdict), remedy.title).toBeLessThanOrEqual(dark(checked.verdict))
        else expect(next.verdict.arrive, remedy.title).toBeGreaterThanOrEqual(checked.verdict.arrive)
        expect(remedy.effect.after, remedy.title).toEqual(next.verdict)
        keepsDemands(faulty, applied.value.plan, Boolean(remedy.givesUp))
        if (remedy.givesUp) {
          expect(remedy.title).toMatch(/^Give up /)
          expect(remedies.slice(i).every(({ givesUp }) => givesUp)).toBe(true)
        }
        const back = applyEdits(applied.value.plan, applied.value.inverse)
        expect(back.ok && canonicalPlan(back.value.plan)).toBe(canonicalPlan(faulty))
      })
    }
    expect(offered).toBeGreaterThan(0)
  })
  it('leads from the draft of Kiln Night to a clean plan, fault by fault', () => {
    let draft = demo('kiln-night-draft')
    const first = check(draft)
    expect(new Set(first.findings.map(({ id }) => id))).toEqual(new Set(['F02', 'F06', 'C01', 'L01', 'C11', 'K11']))
    const arrives: number[] = []
    for (
      let { findings, verdict } = first;
      findings[0] && findings[0].severity !== 'N';
      { findings, verdict } = check(draft)
    ) {
      arrives.push(verdict.arrive)
      expect(arrives.length).toBeLessThan(8)
      const applied = applyEdits(draft, remediesOf(check(draft), findings[0])[0]!.edits)
      if (!applied.ok) throw new Error(applied.problem.path)
      draft = applied.value.plan
    }
    // Of the cable of the loop-through nobody has said how long it is: that is noted.
    expect(check(draft).verdict).toEqual<Verdict>({ arrive: 8, wanted: 8, H: 0, D: 0, R: 0, Q: 0, N: 1 })
  })
})

/** The plan after each finding was mended by the remedy of that title, which must be offered. */
function mend(draft: Plan, mended: readonly (readonly [finding: string, remedy: string])[]): Plan {
  let plan = draft
  for (const [key, title] of mended) {
    const checked = check(plan)
    const remedies = remediesOf(
      checked,
      checked.findings.find(finding => finding.key === key)!,
    )
    const remedy = remedies.find(offer => offer.title === title)
    expect(remedy, `${key}: ${remedies.map(offer => offer.title).join('; ')}`).toBeDefined()
    const applied = applyEdits(plan, remedy!.edits)
    if (!applied.ok) throw new Error(applied.problem.path)
    plan = applied.value.plan
  }
  return plan
}
const toldOf = (plan: Plan): string[] =>
  check(plan)
    .findings.map(({ key }) => key)
    .sort()

describe('Harbour Robotics Cup', () => {
  const draft = demo('harbour-robotics-cup-draft')
  /** Rows of the catalogue that nothing uses say nothing about the show. */
  const used = (written: Plan): string => {
    const leads = new Set(
      Object.values(written.links).flatMap(({ cable, adapters }) => [cable, adapters?.from, adapters?.to]),
    )
    return canonicalPlan({
      ...written,
      leads: Object.fromEntries(Object.entries(written.leads).filter(([id]) => leads.has(id))),
    })
  }
  const mended: [finding: string, remedy: string][] = [
    ['F01:link/referee-run/to', 'Set Remote referee to 1080p50'],
    ['P11:strip/hall-strip+plug', 'Give Reel, west wall a household plug'],
    ['C01:link/tablet-run/cable', 'Take 5 m Passive HDMI with adapter'],
    ['C04:link/south-main/to', 'Move it to Main input 3'],
    ['C06:link/pit-iso/to', 'Use Isolated recorder SDI in 4'],
    ['C08:link/hall-east-end/cable', 'Turn the cable round'],
    ['C14:link/side-link/from', 'Point Side output 2 at program'],
    ['L02:link/wide-run/cable', 'Take 75 m RG-6 size coax'],
    ['O02:sink/overflow-sees', 'Point Main output 2 at clean'],
    ['A01:device/main', 'Open all 2 sound inputs of Main'],
    ['C15:kit/repeater-sdi', 'Hire 1 more: 9\u00A0EUR'],
    ['L01:link/clips-run/cable', 'Take 15 m Active HDMI'],
    ['R04:show', 'Make Wide, gallery the safe shot'],
    ['K03:overlay/scores', 'Take its fill as it is'],
    ['K11:overlay/marks', 'Set clip 1\u00A0%, gain 19\u00A0%'],
    ['K18:overlay/referee', 'Move Referee in a box to the upper right corner'],
    ['P08:device/main', 'Let Main stand in the open'],
    ['O13:clip/reel', 'Convert Reel of the finals to 1080p50'],
    ['N10:macro/goal', 'Set Main in Goal, north too'],
    ['N11:device/ptz-north', 'Light Arena north only when every switcher on the way has it on air'],
  ]
  it('has in its draft twenty faults of twenty kinds, told at once', () =>
    expect(toldOf(draft)).toEqual(mended.map(([key]) => key).sort()))
  it('is clean again, and the very plan, when each is mended by a remedy that is offered', () => {
    const plan = mend(draft, mended)
    expect(check(plan).verdict).toMatchObject({ arrive: 21, wanted: 21, H: 0, D: 0, R: 0, Q: 0 })
    expect(used(plan)).toBe(used(demo('harbour-robotics-cup')))
  })
})

describe('Bookshop Reading', () => {
  const mended: [finding: string, remedy: string][] = [
    ['P04:circuit/back', 'Plug Projector in the room into Back room, window'],
    ['P07:strip/far', 'Plug Strip, far end of the table into an outlet of Back room, left wall'],
    ['O06:medium/host-disk', 'One of 128\u00A0GB in the place of Disk of the mixing computer'],
    ['O08:medium/host-disk', 'Format Disk of the mixing computer as exFAT before the show; all on it is erased'],
    ['O09:uplink/shop', 'Send 79\u00A0% of the video over Line of the shop'],
    ['P01:device/mic', "Bring 4 of Cells, reader's microphone"],
    ['A08:device/host', 'Hold the sound at Mixing computer back by 143 ms'],
    ['A11:device/guest-screen', 'Send it without the sound of Call in 3'],
    ['K04:overlay/notice', 'Lay Books at the door over as solid as its file says'],
    ['K05:overlay/cut-out', 'Key the colour 0 177 64 with tolerance 0\u00A0%, edge 28\u00A0%'],
    ['K13:overlay/credits', 'Move Credits into the safe part'],
    ['K13:overlay/credits+small', 'Give up Credits'],
  ]
  it('has in its draft what runs out, a keyer of each kind that fails, and a guest who hears themselves', () =>
    expect(toldOf(demo('bookshop-reading-draft'))).toEqual(mended.map(([key]) => key).sort()))
  it('is clean when each is mended by a remedy that is offered', () =>
    expect(check(mend(demo('bookshop-reading-draft'), mended)).verdict).toEqual<Verdict>({
      arrive: 8,
      wanted: 8,
      H: 0,
      D: 0,
      R: 0,
      Q: 0,
      N: 0,
    }))
})

describe('Observatory Quiz', () => {
  const mended: [finding: string, remedy: string][] = [
    ['K17:macro/wink', 'Wait half a second in Wink of the dome'],
    ['O13:clip/loop', 'Convert Stars, for the doors to 1080p59.94'],
    ['K01:overlay/host', 'Take what comes to Main input 17'],
    ['K07:overlay/timer', 'Give up Clock in Questions'],
    ['K15:overlay/guest', 'Move Observer at the telescope, by call to Main input 19, and show Side input 4 in Votes'],
    ['K08:overlay/signer', 'Lead Signer into HDMI in 1'],
    ['K14:overlay/title', 'Put Title of the evening into Key over all 1'],
    ['K16:overlay/speaker', 'Slides and captions shows the caption on black then'],
    ['K19:overlay/marks', 'Lead its pen to Computer of the marks USB (pen, keys)'],
    ['O14:segment/welcome', 'Put them all on Card A'],
    ['O15:macro/opener', 'Let Opener call the numbers as they stand now'],
    ['K06:overlay/votes', 'Connect it to Control network Port 2'],
    ['K02:device/graphics', 'In place of Frame delay: 5 m RG-6 size coax'],
    ['K03:overlay/title', 'Take its fill as it is'],
    ['K04:overlay/score', 'Key Score by the key signal of Quiz computer'],
    ['K05:overlay/question', 'Set clip 17\u00A0%, gain 98\u00A0%'],
    ['K09:overlay/thanks', 'Key Last words at Main, by Key over all 2'],
    ['K10:overlay/board', 'Turn the key round, clip 72\u00A0%, gain 100\u00A0%'],
    ['K11:overlay/marks', 'Set clip 1\u00A0%, gain 19\u00A0%'],
    ['K12:overlay/speaker', 'Let Name of the astronomer come up where it stands'],
    ['K13:overlay/thanks', 'Move Last words into the safe part'],
    ['K18:overlay/guest', 'Move Observer in a box to the upper right corner'],
  ]
  const draft = demo('observatory-quiz-draft')
  it('has in its draft every fault of overlays and of the clips under them, each once', () => {
    const keys = Array.from({ length: 19 }, (_, i) => `K${String(i + 1).padStart(2, '0')}`)
    expect(
      check(draft)
        .findings.map(({ id }) => id)
        .sort(),
    ).toEqual([...keys, 'O13', 'O14', 'O15'])
    expect(toldOf(draft)).toEqual(mended.map(([key]) => key).sort())
  })
  it('is clean when each is mended by a remedy that is offered', () => {
    const { verdict } = check(mend(draft, mended))
    expect(verdict).toMatchObject({ arrive: 19, wanted: 19, H: 0, D: 0, R: 0, Q: 0 })
  })
})

describe('segments', () => {
  const two = plan({
    devices: { cam: 'camera-box-hdmi 1080p59.94', pc: 'computer 1080p60', main: 'switcher-4-strict 1080p59.94' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3', b: 'pc.hdmi-1 > main.in-2 hdmi-passive 3' },
    segments: {
      talk: { title: 'Talk', order: 1, sources: ['cam'] },
      slides: { title: 'Slides', order: 2, sources: ['pc'] },
    },
  })
  it('judges only the sources of the segment', () => {
    expect(check(two, 'talk').verdict).toMatchObject({ arrive: 1, wanted: 1, D: 0 })
    expect(check(two, 'slides').verdict).toMatchObject({ arrive: 0, wanted: 1, D: 1 })
    expect(check(two, 'slides').findings[0]).toMatchObject({ key: 'F02:link/b/to@slides', at: { segment: 'slides' } })
    expect(check(two).verdict).toMatchObject({ arrive: 1, wanted: 2, D: 1 })
  })
})
