import { STAGE, type Faulty } from '../../../../testing/cases'
import { fmt, plan } from '../../../../testing/plans'

const ROAMING = [1, 2, 3, 4, 5]

/** A tablet so many metres from its access point, beside a joystick by wire. */
const tablet = (m: number): Faulty['plan'] =>
  plan({
    devices: {
      one: 'camera-ptz-hdmi 1080p59.94',
      ap: 'access-point',
      tab: 'tablet-control',
      joy: 'controller-joystick',
      net: 'switch-control',
      main: STAGE,
    },
    links: {
      a: 'one.hdmi > main.in-1 hdmi-passive 2',
      t: `tab.air > ap.air-1 air-network ${m}`,
      j: 'joy.network > net.in control-network 2',
      x: 'net.out-2 > ap.in control-network 5',
      y: 'net.out-3 > one.control control-network 20',
    },
  })

export const CASES: readonly Faulty[] = [
  {
    // 32.44 + 20 log10(0.2) + 20 log10(5500) = 93.27 dB over 200 m; 20 + 4 - 93.27 - 12 (crowd) - 6 (fading) + 72 = -15.27 dB.
    name: 'radio through a crowd',
    gives: ['L08'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        air: { model: 'radio-hdmi', air: { m: 200, crowd: true } },
        main: STAGE,
      },
      links: {
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > main.in-2 hdmi-passive 2',
      },
    }),
    offers: ['In its place'],
    says: ['200\u00A0m', 'through a crowd', '15.3\u00A0dB'],
  },
  {
    // 60 m: 82.82 dB; 24 - 82.82 - 12 - 6 + 72 = -4.82 dB with the crowd, 7.18 dB above it.
    name: 'radio through a crowd, near enough to rise above it',
    gives: ['L08'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        air: { model: 'radio-hdmi', air: { m: 60, crowd: true } },
        main: STAGE,
      },
      links: {
        a: 'cam.hdmi > air.in hdmi-passive 0',
        b: 'air.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > main.in-2 hdmi-passive 2',
      },
    }),
    offers: ['Raise the aerials above the crowd', 'In its place'],
    says: ['4.8\u00A0dB'],
  },
  {
    name: 'two radio links on one channel',
    gives: ['L08'],
    plan: plan({
      devices: {
        hall: 'projector',
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        pc: 'computer 1080p59.94',
        x: { model: 'radio-hdmi', air: { m: 20, channel: 3 } },
        y: { model: 'radio-hdmi', air: { m: 20, channel: 3 } },
        main: 'switcher-4-multiview 1080p59.94',
        op: 'screen',
        three: { model: 'camera-box-hdmi', shot: 'safe' },
      },
      links: {
        h: 'main.out-1 > hall.in hdmi-passive 3',
        a: 'cam.hdmi > x.in hdmi-passive 0',
        b: 'x.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > y.in hdmi-passive 0',
        d: 'y.out > main.in-2 hdmi-passive 1',
        e: 'pc.hdmi-1 > main.in-3 hdmi-passive 2',
        f: 'three.hdmi > main.in-4 hdmi-passive 2',
        o: 'main.out-3 > op.in hdmi-passive 2',
      },
      wants: { hall: 'program', op: 'multiview' },
    }),
    offers: ['Set y to channel 1', 'Set y to channel 2', 'Set y to channel 4'],
    says: ['x', 'y', 'channel 3'],
  },
  {
    // A band of four channels: the fifth that looks for one finds none.
    name: 'five radio links that look for one of four channels',
    gives: ['L08'],
    plan: plan({
      devices: {
        hall: 'projector',
        op: 'screen',
        main: 'switcher-8-hdmi 720p59.94',
        safe: { model: 'camera-box-hdmi', shot: 'safe', ports: { hdmi: { format: fmt('720p59.94') } } },
        ...Object.fromEntries(ROAMING.map(n => [`cam${n}`, 'camera-box-hdmi 720p59.94'])),
        ...Object.fromEntries(ROAMING.map(n => [`air${n}`, { model: 'radio-hdmi-720', air: { m: 20 } }])),
      },
      links: {
        h: 'main.out-1 > hall.in hdmi-passive 3',
        o: 'main.out-3 > op.in hdmi-passive 2',
        s: 'safe.hdmi > main.in-8 hdmi-passive 2',
        ...Object.fromEntries(
          ROAMING.flatMap(n => [
            [`a${n}`, `cam${n}.hdmi > air${n}.in hdmi-passive 0`],
            [`b${n}`, `air${n}.out > main.in-${n} hdmi-passive 1`],
          ]),
        ),
      },
      wants: { hall: 'program', op: 'multiview' },
    }),
    offers: ['In its place'],
    says: ['air5 looks', '4 others at 5.5\u00A0GHz', 'none of its 4'],
  },
  {
    name: 'a tablet too far from the access point, beside a joystick by wire',
    gives: ['L08'],
    plan: tablet(200),
    offers: ['Do without tab there'],
    says: ['tab is 200\u00A0m from ap through the air', '60\u00A0m at the most'],
  },
  {
    name: 'a tablet as far as only an empty hall allows',
    gives: ['L08'],
    plan: tablet(31),
    offers: ['Do without tab there'],
    says: ['tab is 31\u00A0m from ap', 'carries 30\u00A0m, and 60\u00A0m only without them'],
  },
  ...(
    [
      [200, ['wren is 200\u00A0m from rx through the air', '100\u00A0m at the most']],
      [61, ['wren is 61\u00A0m from rx', 'carries 60\u00A0m, and 100\u00A0m only without them']],
    ] as const
  ).map(([m, says]) => ({
    name: `a pack on somebody ${m} m from its receiver`,
    gives: ['L08'],
    plan: plan({
      devices: {
        wren: 'pack-radio',
        host: 'pack-radio',
        rx: 'receiver-radio-2',
        cam: { model: 'camera-hand-hdmi', limitsOff: true, ports: { hdmi: { format: fmt('1080p59.94') } } },
        main: STAGE,
      },
      links: {
        w: `wren.air > rx.pack-1 air-sound ${m}`,
        h: 'host.air > rx.pack-2 air-sound 60',
        r: 'rx.out > cam.microphone mini-jack-lead 0',
        a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro',
      },
    }),
    offers: ['Do without wren there'],
    says,
  })),
]
