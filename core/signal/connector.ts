/** What travels on a port. Two ports can only be joined by a passive way when they carry the same kind. */
export const SIGNAL_KINDS = ['hdmi', 'sdi', 'usbc', 'usb', 'pair', 'network', 'sound', 'control'] as const
export type SignalKind = (typeof SIGNAL_KINDS)[number]

export const SIGNAL_TITLES: Readonly<Record<SignalKind, string>> = {
  hdmi: 'HDMI',
  sdi: 'SDI',
  usbc: 'USB-C video',
  usb: 'USB picture',
  pair: 'twisted-pair video',
  network: 'network video',
  sound: 'analogue sound',
  control: 'control',
}

/** Connector shapes; the letters A, C, D are the HDMI specification's own. */
export const CONNECTORS = [
  'hdmi-a',
  'hdmi-c',
  'hdmi-d',
  'bnc',
  'bnc-2',
  'bnc-4',
  'usb-c',
  'usb-a',
  'usb-b',
  '8p8c',
  'xlr',
  'jack',
  'mini-jack',
  'aerial',
] as const
export type ConnectorId = (typeof CONNECTORS)[number]

export const CONNECTOR_TITLES: Readonly<Record<ConnectorId, string>> = {
  'hdmi-a': 'full-size HDMI',
  'hdmi-c': 'mini HDMI',
  'hdmi-d': 'micro HDMI',
  'bnc': 'BNC',
  'bnc-2': 'two BNC in order',
  'bnc-4': 'four BNC in order',
  'usb-c': 'USB-C',
  'usb-a': 'USB-A',
  'usb-b': 'USB-B',
  '8p8c': 'network plug',
  'xlr': 'XLR',
  'jack': '6.3 mm jack',
  'mini-jack': '3.5 mm jack',
  'aerial': 'aerial',
}

/** How many SDI links a connector holds: a picture too large for one is shared among two or four. */
export const linksOf = (connector: ConnectorId): 1 | 2 | 4 =>
  connector === 'bnc-4' ? 4 : connector === 'bnc-2' ? 2 : 1
