import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { decode } from 'fast-png'
import { readPng } from '../shared/png'
import { runCommand } from './main'
import { planMinor } from '#core/chain'
import { type Edit, applyEdits, openFile } from '#core/document'
import { check } from '#core/features'

const root = fileURLToPath(new URL('..', import.meta.url))
/** As the program is called, but in this process. */
async function run(args: string[], input = '') {
  const read = (path: string) => (path === '-' ? input : readFileSync(resolve(root, path), 'utf8'))
  const { out, error, exit } = await runCommand(args, { read })
  return { status: exit, stdout: out, stderr: error }
}
const CLEAN = 'demo/kiln-night.json'
const DRAFT = 'demo/kiln-night-draft.json'

describe('the program', () => {
  it.each([
    [['check', CLEAN], 0, /pictures arrive/, /^$/],
    [['check', 'nope.json'], 2, /^$/, /nope\.json: ENOENT/],
    [['help'], 0, /usage:/, /^$/],
  ])('started by %j ends with %i', (args, status, out, error) => {
    const ended = spawnSync(process.execPath, ['--import', 'tsx', 'cli/interlumen.ts', ...args], {
      cwd: root,
      encoding: 'utf8',
    })
    expect(ended.status).toBe(status)
    expect(ended.stdout).toMatch(out)
    expect(ended.stderr).toMatch(error)
  })
})

describe('check', () => {
  it('ends with 0 for a clean plan', async () => {
    const { status, stdout } = await run(['check', CLEAN])
    expect(stdout).toContain('8 of 8 pictures arrive')
    expect(status).toBe(0)
  })
  it('ends with 1 when something is dark, and says what and how to mend it', async () => {
    const { status, stdout } = await run(['check', DRAFT])
    expect(stdout).toMatch(
      /D {2}F02:link\/captions-to-main\/to\n.*1080p60.*\n {3}1\. Set Caption computer to 1080p59.94 {2}\(then 4 of 8\)/,
    )
    expect(status).toBe(1)
  })
  it('sets names and figures apart on a terminal', async () => {
    const { out } = await runCommand(['check', 'draft'], {
      read: () => readFileSync(`demo/kiln-night-draft.json`, 'utf8'),
      styled: true,
    })
    expect(out).toContain('\u001B[1mCaption computer\u001B[22m sends \u001B[1m1080p60\u001B[22m to')
  })
  it('prints JSON', async () => {
    const { status, stdout } = await run(['check', DRAFT, '--json'])
    const { verdict, findings } = JSON.parse(stdout)
    expect(status).toBe(1)
    expect(verdict).toMatchObject({ arrive: 0, wanted: 8, D: 5 })
    const long = findings.find(({ id }: { id: string }) => id === 'L01')
    expect(long).toMatchObject({
      key: 'L01:link/close-to-main/cable',
      severity: 'D',
      at: { on: 'link', link: 'close-to-main', part: 'cable' },
      numbers: { length: { value: 25, unit: 'm' }, reach: { value: 15, unit: 'm' } },
    })
    expect(long.remedies[0]).toMatchObject({ title: 'Take 30 m Optical HDMI', edits: expect.any(Array) })
  })
  it.each([
    ['a file that is not there', ['check', 'nope.json'], /nope\.json: ENOENT/],
    ['a file that is no plan', ['check', 'package.json'], /package\.json: \/format: found nothing; allowed: 3/],
    ['a plan that the file lacks', ['check', CLEAN, '--plan', 'other'], /no plan other; the file has main/],
    ['an unknown argument', ['check', CLEAN, '--loud'], /unknown argument --loud/],
    ['no command', [], /usage:/],
    ['an unknown finding', ['apply', DRAFT, '--finding', 'X', '--remedy', '1'], /no finding X; there are: F02/],
    [
      'an unknown remedy',
      ['apply', DRAFT, '--finding', 'F02:link/captions-to-main/to', '--remedy', '99'],
      /no remedy 99; there are 1 to/,
    ],
  ])('ends with 2 for %s', async (_, args, message) => {
    const { status, stderr, stdout } = await run(args)
    expect(stderr).toMatch(message)
    expect(stdout).toBe('')
    expect(status).toBe(2)
  })
})

describe('apply', () => {
  it('mends the draft remedy by remedy until the check ends with 0', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'interlumen-cli-')), 'plan.json')
    writeFileSync(file, readFileSync(join(root, DRAFT)))
    for (let i = 0; i < 5; i++) {
      const { findings } = JSON.parse((await run(['check', file, '--json'])).stdout)
      const { status, stdout } = await run(['apply', file, '--finding', findings[0].key, '--remedy', '1'])
      expect(status).toBe(0)
      expect(openFile(stdout).ok).toBe(true)
      writeFileSync(file, stdout)
    }
    expect((await run(['check', file])).status).toBe(0)
    expect((await run(['check', '-'], readFileSync(file, 'utf8'))).status).toBe(0)
  })
})

describe('standard', () => {
  it('lists every standard that the switcher offers, the one in use among them', async () => {
    const { status, stdout } = await run(['standard', CLEAN])
    expect(status).toBe(0)
    // The switcher's data sheet: seven progressive and two interlaced standards of 1080 lines, three of 720.
    for (const label of [
      '1080p23.98',
      '1080p25',
      '1080p29.97',
      '1080p30',
      '1080p50',
      '1080p59.94',
      '1080p60',
      '1080i50',
      '1080i59.94',
      '720p50',
      '720p59.94',
      '720p60',
    ])
      expect(stdout).toContain(label)
    expect(stdout.split('\n')[0]).toContain('1080p59.94')
  })
  it('prints JSON whose edits make of the file what each row says', async () => {
    const { status, stdout } = await run(['standard', CLEAN, '--json'])
    expect(status).toBe(0)
    const rows = JSON.parse(stdout) as {
      label: string
      now: boolean
      edits: Edit[]
      after: object
      price: { minor: number; currency: string }
      delay: { unit: string }
    }[]
    expect(rows.filter(({ now }) => now).map(({ label }) => label)).toEqual(['1080p59.94'])
    const opened = openFile(readFileSync(join(root, CLEAN), 'utf8'))
    if (!opened.ok) throw new Error(opened.problem.path)
    for (const { edits, after, price, delay } of rows) {
      const applied = applyEdits(opened.value.plans.main!, edits)
      if (!applied.ok) throw new Error(applied.problem.path)
      expect(check(applied.value.plan).verdict).toEqual(after)
      expect([price.currency, delay.unit]).toEqual(['EUR', 'ms'])
    }
  })
  it('says when there is no switcher, and when the file is none', async () => {
    const bare = '{"format": 2, "show": {"title": "x"}, "plans": {"main": {"title": "y"}}}'
    expect(await run(['standard', '-'], bare)).toMatchObject({
      status: 0,
      stdout: expect.stringContaining('no switcher'),
    })
    expect(await run(['standard', '-'], '{')).toMatchObject({ status: 2, stderr: expect.stringContaining('no JSON') })
  })
})

describe('whatif', () => {
  it('says what goes dark without a device, and what can still be cut to', async () => {
    const { status, stdout } = await run(['whatif', 'demo/harbour-robotics-cup.json', '--without', 'side'])
    expect(status).toBe(0)
    // The feeder has a screen of its own and brings two sources; all of the program stays.
    expect(stdout).toMatch(
      /Without Side .*\n {2}dark: Side operator's screen \(multiview\)\n {2}lost: Clip player, Remote referee/,
    )
    expect(stdout).toMatch(/Main still cuts between .*Wide, gallery.* for .*Stream encoder/)
  })
  it('lists single things, the last switcher first', async () => {
    expect((await run(['whatif', 'demo/harbour-robotics-cup.json'])).stdout).toMatch(
      /^Director's screen, Hall screen east, Hall screen west, Overflow room, Program recorder, Stream encoder\n {4}Main \(/,
    )
    expect(JSON.parse((await run(['whatif', CLEAN, '--json'])).stdout)[0]).toMatchObject({
      things: [{ loss: { of: 'device', id: 'main' } }],
    })
    expect(
      JSON.parse((await run(['whatif', 'demo/harbour-robotics-cup.json', '--without', 'side', '--json'])).stdout),
    ).toMatchObject({ still: [{ stage: 'main', name: 'Main' }] })
  })
  it('takes a whole place away, and the mains', async () => {
    const fair = 'demo/three-hall-science-fair.json'
    // The hall's own screens and recorder are lost with it; its program is one of the central switcher's inputs.
    expect((await run(['whatif', fair, '--without', 'Physics hall'])).stdout).toMatch(
      /^Without everything at Physics hall \(24 devices; together\):\n {2}dark: Physics hall projector \(program\), .*Physics recorder.*\n {2}lost: .*Physics: Wave tank/,
    )
    expect((await run(['whatif', fair, '--without', 'Control'])).stdout).toMatch(/dark: .*Foyer wall \(program\)/)
    expect((await run(['whatif', fair, '--without', 'mains'])).stdout).toMatch(/^Without the mains/)
  })
  it('ends with 2 for a thing that is not there', async () => {
    expect(await run(['whatif', CLEAN, '--without', 'nope'])).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/no device, link or place nope; there are .*wide/),
    })
  })
})

describe('why', () => {
  it('lists causes with their tests', async () => {
    const { status, stdout } = await run(['why', CLEAN, '--at', 'main/in-3', '--symptom', 'black'])
    expect(status).toBe(0)
    expect(stdout).toMatch(
      /^1\. Overhead phone has chosen another format than 1080p59\.94\. \(it chooses by itself\)\n {3}Read it in its display settings/,
    )
    expect(
      JSON.parse((await run(['why', CLEAN, '--at', 'main/in-3', '--symptom', 'black', '--json'])).stdout)[0],
    ).toMatchObject({ device: 'overhead', certain: false })
  })
  it.each([
    ['an unknown device', ['--at', 'nope', '--symptom', 'black'], /--at: no device nope; there are wide/],
    ['an unknown port', ['--at', 'main/nope', '--symptom', 'black'], /no port nope at main; there are in-1/],
    ['an unknown symptom', ['--at', 'main', '--symptom', 'blue'], /--symptom: found blue; allowed: black, sparkles/],
    ['no place', ['--symptom', 'black'], /no device \(none given\)/],
  ])('ends with 2 for %s', async (_, args, message) =>
    expect(await run(['why', CLEAN, ...args])).toMatchObject({
      status: 2,
      stdout: '',
      stderr: expect.stringMatching(message),
    }),
  )
})

describe('inside', () => {
  it('lists what each deliverable holds, by how it holds it', async () => {
    const { status, stdout } = await run(['inside', 'demo/three-hall-science-fair.json'])
    expect(status).toBe(0)
    expect(stdout).toMatch(
      /^Physics hall projector \(program\)\n {4}when cut to: Physics: wide, .*Physics: guest call\n/,
    )
    expect(stdout).toMatch(
      /Physics operator \(multiview\)\n {4}when cut to: Physics: slides, .*\n {4}as a tile: Physics: wide, /,
    )
    expect(JSON.parse((await run(['inside', CLEAN, '--json'])).stdout)).toMatchObject({
      layers: expect.any(Array),
      deliverables: [{ device: expect.any(String) }, {}, {}, {}],
    })
  })
})

describe('what is accepted', () => {
  it('is told with its reason, and does not count', async () => {
    const file = JSON.parse(readFileSync(CLEAN, 'utf8')) as {
      plans: { main: { links: Record<string, { routeM?: number; pieces?: number[] }>; accepted?: object } }
    }
    const [id] = Object.entries(file.plans.main.links).find(([, link]) => link.routeM !== undefined && link.routeM < 6)!
    file.plans.main.links[id]!.routeM = 9
    const before = await run(['check', '-'], JSON.stringify(file))
    expect(before.status).toBe(1)
    file.plans.main.accepted = { tested: { finding: `L01:link/${id}/cable`, reason: 'tested with this lead' } }
    const after = await run(['check', '-'], JSON.stringify(file))
    expect(after.status).toBe(0)
    expect(after.stdout).toContain('Accepted: tested with this lead')
  })
})

describe('solve and patch', () => {
  it('lists the best plans with price, bound and gap, and the edits that make them', async () => {
    const { status, stdout } = await run(['solve', DRAFT, '--json', '--fixed', '1080p59.94'])
    const { plans, collisions, ms } = JSON.parse(stdout)
    expect(status).toBe(0)
    expect(collisions).toEqual([])
    expect(plans.length).toBeGreaterThan(1)
    const file = openFile(readFileSync(join(root, DRAFT), 'utf8'))
    for (const offer of plans) {
      expect(offer).toMatchObject({
        standard: '1080p59.94',
        proven: true,
        after: { arrive: 8, wanted: 8 },
        price: { currency: 'EUR' },
      })
      expect(offer.gap).toBeLessThan(1e-6)
      const applied = file.ok && applyEdits(file.value.plans.main!, offer.edits as Edit[])
      expect(applied && applied.ok && planMinor(applied.value.plan)).toBe(offer.price.minor)
    }
    expect(ms.all).toBeGreaterThan(0)
  }, 60_000)
  it('patches a file whole: what comes out checks clean', async () => {
    const { status, stdout } = await run(['patch', DRAFT])
    expect(status).toBe(0)
    const checked = await run(['check', '-'], stdout)
    expect(checked.stdout).toContain('8 of 8 pictures arrive')
    expect(checked.status).toBe(0)
  }, 60_000)
  it('names the switchers that would do where the plan has none', async () => {
    const camera = (name: string) => ({ model: 'box', name, order: 1 })
    const models = { box: { from: 'builtin/camera-box-hdmi@2' } }
    const devices = { a: camera('A'), b: camera('B'), c: camera('C') }
    const file = { format: 3, show: { title: 'x' }, plans: { main: { title: 'y', models, devices } } }
    const { status, stdout, stderr } = await run(['solve', '-'], JSON.stringify(file))
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr).toMatch(/no switcher in the plan/)
    // Three HDMI sources: the catalogue's smallest with three HDMI inputs or more has four.
    expect(stderr).toMatch(/Switcher, 4 HDMI inputs.*\sEUR\n.*Switcher, /)
  })
  it('says what collides when there is no plan, and exits 1', async () => {
    const file = JSON.parse(readFileSync(join(root, CLEAN), 'utf8'))
    file.plans.main.brief.spareInputs = 3
    const { status, stdout, stderr } = await run(['patch', '-'], JSON.stringify(file))
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr).toMatch(
      /These cannot hold together[^]*3 inputs stay free for late guests[^]*Cheapest to give up: 3 inputs/,
    )
  }, 60_000)
  it.each([
    [
      'a standard that is none',
      ['solve', CLEAN, '--fixed', '1080x50'],
      /--fixed: found 1080x50; allowed: a standard such as/,
    ],
    ['weights that are none', ['patch', CLEAN, '--weights', 'love'], /--weights: found love; allowed: even, money/],
    ['--json where a file is printed', ['patch', CLEAN, '--json'], /unknown argument --json/],
  ])('ends with 2 for %s', async (_, args, message) => {
    const { status, stderr } = await run(args)
    expect(stderr).toMatch(message)
    expect(status).toBe(2)
  })
})

describe('key', () => {
  it('measures an overlay, writes what was asked for, and ends with 0 where nothing is wrong', async () => {
    const files = new Map<string, string | Uint8Array>()
    const source = {
      read: (path: string) => readFileSync(path, 'utf8'),
      bytes: (path: string) => readFileSync(path),
      write: (path: string, content: string | Uint8Array) => void files.set(path, content),
    }
    const harbour = 'demo/harbour-robotics-cup.json'
    const { out, exit } = await runCommand(
      ['key', harbour, '--overlay', 'scores', '--report', 'r.json', '--picture', 'p.png'],
      source,
    )
    expect([exit, out.split('\n')[0]]).toEqual([
      0,
      'Scores shows Score strip with a soft shadow, set to clip 0\u00A0%, gain 0\u00A0%',
    ])
    expect(JSON.parse(files.get('r.json') as string)).toMatchObject({ overlay: 'scores', fault: null })
    const picture = readPng(files.get('p.png') as Uint8Array)
    expect([picture.width, picture.height]).toEqual([1920, 1080])
    // Left of the strip's words its plate is seen, 27, 42, 74; the drawing says so.
    const at = (96 * 1920 + 140) * 4
    expect([...picture.data.subarray(at, at + 3)]).toEqual([27, 42, 74])
    const fine = ['key', harbour, '--overlay', 'scores', '--picture', 'fine.png', '--bits']
    await runCommand([...fine, '10'], source)
    const { depth, channels, data } = decode(files.get('fine.png') as Uint8Array)
    expect([depth, channels]).toEqual([16, 3])
    // 27 of 255 is 108.3 of 1023, and 108 is 6918.5 of 65535; 42: 168.5 and 169, 10826; 74: 296.9 and 297, 19026.
    const [red = 0, green = 0, blue = 0] = data.subarray((at / 4) * 3, (at / 4) * 3 + 3)
    expect([6919, 6918].includes(red) && Math.abs(green - 10_826) <= 65 && blue === 19_026).toBe(true)
    await expect(runCommand([...fine, '12'], source)).resolves.toMatchObject({
      exit: 2,
      error: expect.stringContaining('found 12; allowed: 8, 10'),
    })
    const draft = await runCommand(['key', 'demo/kiln-night-draft.json', '--overlay', 'potter'], source)
    expect(draft.exit).toBe(1)
    expect(draft.out).toContain('! Graphic lost: 100\u00A0%')
  })
  it('says which overlays there are, and which has no picture', async () => {
    expect((await run(['key', 'demo/harbour-robotics-cup.json', '--overlay', 'nope'])).stderr).toContain(
      'no overlay nope; there are: marks, referee, scores',
    )
    expect((await run(['key', 'demo/harbour-robotics-cup.json', '--overlay', 'referee'])).stderr).toContain(
      'has no graphic in the plan',
    )
  })
})

describe('rehearse, take and run', () => {
  const HARBOUR = 'demo/harbour-robotics-cup.json'
  it('goes through the running order, each take clean, and counts the jumps', async () => {
    const { status, stdout } = await run(['rehearse', HARBOUR])
    expect(status).toBe(0)
    expect(stdout).toContain('Final and prizes: opens: Main to 1, then Side to 3 (nobody sees it).')
    const { status: counted, stdout: table } = await run(['rehearse', HARBOUR, '--jumps', '--json'])
    expect(counted).toBe(0)
    for (const { sources, rows } of JSON.parse(table).switchers)
      expect(rows.flat().filter(Boolean).length).toBe(sources.length * (sources.length - 1))
  })
  it('plans a take between two looks, and names them where one is missing', async () => {
    const looks = Object.keys(JSON.parse(readFileSync(resolve(root, HARBOUR), 'utf8')).plans.main.looks)
    const { status, stdout } = await run(['take', HARBOUR, '--from', looks[0]!, '--to', looks[1]!])
    expect(status).toBe(0)
    expect(stdout).toMatch(/clean$/)
    expect((await run(['take', HARBOUR, '--from', 'nowhere', '--to', looks[1]!])).stderr).toContain(looks[0]!)
    expect((await run(['take', HARBOUR, '--from', looks[0]!])).stderr).toContain('--to LOOK is missing')
  })
  it('runs a kept run again, and refuses what is none', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'run-'))
    const write = (name: string, body: unknown) => {
      writeFileSync(join(folder, name), JSON.stringify(body))
      return join(folder, name)
    }
    const press = (tick: number, device: string, input: string) => ({ tick, device, command: { do: 'program', input } })
    const log = {
      version: 1,
      plan: 'another',
      seed: 3,
      moment: 0,
      events: [press(480_000, 'main', 'in-7'), press(720_000, 'side', 'in-2')],
      aims: [{ tick: 480_000, target: { source: 'referee' } }],
    }
    const { status, stdout } = await run(['run', HARBOUR, '--log', write('a.json', log), '--json'])
    // In the wrong order, a second apart: about 50 frames of the clip player at each audience.
    expect(status).toBe(1)
    const told = JSON.parse(stdout)
    expect(told.foreign).toBe(true)
    const hall = told.sinks.find((sink: { name: string }) => sink.name === 'Hall screen west')
    expect(hall.wrong).toBeGreaterThanOrEqual(49)
    expect(hall.wrong).toBeLessThanOrEqual(53)
    const right = { ...log, events: [press(480_000, 'side', 'in-2'), press(720_000, 'main', 'in-7')] }
    expect((await run(['run', HARBOUR, '--log', write('b.json', right)])).status).toBe(0)
    const bad = await run(['run', HARBOUR, '--log', write('c.json', { ...log, seed: 'x' })])
    expect([bad.status, bad.stderr]).toEqual([2, expect.stringContaining('/seed')])
    expect((await run(['run', HARBOUR, '--log', join(folder, 'none.json')])).stderr).toContain('none.json')
    expect((await run(['run', HARBOUR])).stderr).toContain('--log EVENTS.json is missing')
  })
})

describe('power', () => {
  it('says what each circuit carries and how long batteries last', async () => {
    const { status, stdout } = await run(['power', 'demo/bookshop-reading.json'])
    // Amperes are watts / (230 x 0.6); from the rehearsal at 17:30 to 21:00 with three tenths more are 4.55 h.
    const [, watts, amps, most, mostA, share] =
      /^Back room, left wall: (\d+) W, ([\d.]+) A; up to (\d+) W, ([\d.]+) A of 16 A \((\d+) %\)/.exec(stdout)!
    expect(Number(amps)).toBeCloseTo(Number(watts) / 138, 1)
    // A watt is 3.412 BTU an hour.
    expect(stdout).toContain(`${Math.round(Number(watts) * 3.412)} BTU/h of heat`)
    expect(Number(mostA)).toBeCloseTo(Number(most) / 138, 1)
    expect(Number(share)).toBe(Math.round((Number(most) / 138 / 16) * 100))
    expect(stdout).toMatch(/Reader's microphone: \d+ h \d\d min of 4 h 33 min with the margin/)
    expect(status).toBe(0)
    const { stdout: json } = await run(['power', 'demo/bookshop-reading.json', '--json'])
    expect(JSON.parse(json).circuits[0].watts).toBe(Number(watts))
  })
})
