import { anchorKind } from '#core/kernel'

declare module '../kernel/anchor' {
  interface Anchors {
    link: { link: string; part: 'from' | 'cable' | 'to' }
    port: { device: string; port: string }
    device: { device: string }
    /** What a sink should show. */
    sink: { want: string; device: string }
    /** One setting of a device, or of a port of it. */
    setting: { device: string; port?: string; field: string }
    kit: { item: string }
  }
}

export const CHAIN_ANCHORS = [
  anchorKind({ on: 'link', key: ({ link, part }) => `link/${link}/${part}`, screen: 'runs' }),
  anchorKind({ on: 'port', key: ({ device, port }) => `port/${device}/${port}`, screen: 'runs' }),
  anchorKind({ on: 'device', key: ({ device }) => `device/${device}`, screen: 'runs' }),
  anchorKind({ on: 'sink', key: ({ want }) => `sink/${want}`, screen: 'runs' }),
  anchorKind({
    on: 'setting',
    key: ({ device, port, field }) => `setting/${device}/${port === undefined ? '' : `${port}/`}${field}`,
    screen: 'kit',
  }),
  anchorKind({ on: 'kit', key: ({ item }) => `kit/${item}`, screen: 'kit' }),
]
