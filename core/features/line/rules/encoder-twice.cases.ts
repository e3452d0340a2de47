import { STAGE, type Faulty } from '../../../../testing/cases'
import { plan } from '../../../../testing/plans'

const to = (title: string, order: number, encoder: string, more: object = {}) => ({
  title,
  order,
  encoder,
  videoMbps: 5,
  ...more,
})
const streamed = (destinations: object, more: { devices?: object; links?: object; wants?: object } = {}) =>
  plan({
    brief: { copies: 0, testStream: '18:00', start: '20:00', end: '22:00' },
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: STAGE, enc: 'encoder-stream', ...more.devices },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', b: 'main.out-1 > enc.in hdmi-passive 2', ...more.links },
    wants: { enc: { feed: 'program', silent: true }, ...more.wants },
    destinations,
  } as never)

export const CASES: readonly Faulty[] = [
  {
    name: 'one encoder for two destinations',
    gives: ['O11'],
    plan: streamed({ one: to('The house', 1, 'enc'), two: to('The club', 2, 'enc') }),
    offers: ['Let The house pass it on'],
    says: ['enc makes one stream, and is to send it to The house and The club'],
  },
  {
    name: 'two destinations that are to pass on to each other, and a second encoder',
    gives: ['O11'],
    plan: streamed(
      { one: to('The house', 1, 'enc', { by: 'two' }), two: to('The club', 2, 'enc', { by: 'one' }) },
      {
        devices: { second: 'encoder-stream' },
        links: { s: 'main.out-2 > second.in hdmi-passive 2' },
        wants: { second: { feed: 'program', silent: true } },
      },
    ),
    offers: ['Send to The club from second'],
    says: ['is to send it to The house and The club'],
  },
  {
    name: 'a second encoder that no destination names',
    gives: ['O11'],
    plan: streamed(
      { house: to('The house', 1, 'enc') },
      {
        devices: { second: 'encoder-stream' },
        links: { s: 'main.out-2 > second.in hdmi-passive 2' },
        wants: { second: { feed: 'program', silent: true } },
      },
    ),
    offers: ['Name a destination of second'],
    says: ['second is fed and sends nowhere'],
  },
  {
    name: 'a destination whose encoder was taken out, beside one that is served',
    gives: ['O11'],
    plan: streamed({ house: to('The house', 1, 'enc'), club: to('The club', 2, 'old') }),
    offers: ['Send to The club no more'],
    says: ['The club is to get the show from an encoder that is not in the plan any more'],
  },
  {
    name: 'a decoder on another subnet than its encoder, through a network switch',
    gives: ['O11'],
    plan: plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        main: STAGE,
        enc: { model: 'encoder-network', address: '192.168.20.2/24' },
        net: 'switch-poe',
        dec: { model: 'decoder-network', address: '192.168.30.2/24' },
        far: 'screen',
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 2',
        b: 'main.out-1 > enc.in hdmi-passive 2',
        c: 'enc.out > net.in network-cable 20',
        d: 'net.out-1 > dec.in network-cable 40',
        e: 'dec.out > far.in hdmi-passive 2',
      },
      wants: { far: 'program' },
    }),
    offers: ['Give dec 192.168.20.1/24', 'Give enc 192.168.30.1/24'],
    says: ['dec has 192.168.30.2/24', 'two subnets'],
  },
]
