/** What travels on a port. Two ports can only be joined by a passive way when they carry the same kind. */
export const SIGNAL_KINDS = ['hdmi', 'sdi', 'usbc', 'pair', 'network', 'sound'] as const
export type SignalKind = (typeof SIGNAL_KINDS)[number]

export const SIGNAL_TITLES: Readonly<Record<SignalKind, string>> = {
  hdmi: 'HDMI', sdi: 'SDI', usbc: 'USB-C video', pair: 'twisted-pair video', network: 'network video', sound: 'analogue sound',
}

/** Connector shapes; the letters A, C, D are the HDMI specification's own. */
export const CONNECTORS = ['hdmi-a', 'hdmi-c', 'hdmi-d', 'bnc', 'usb-c', '8p8c', 'xlr', 'jack', 'mini-jack'] as const
export type ConnectorId = (typeof CONNECTORS)[number]

export const CONNECTOR_TITLES: Readonly<Record<ConnectorId, string>> = {
  'hdmi-a': 'full-size HDMI', 'hdmi-c': 'mini HDMI', 'hdmi-d': 'micro HDMI', 'bnc': 'BNC', 'usb-c': 'USB-C', '8p8c': 'network plug',
  'xlr': 'XLR', 'jack': '6.3 mm jack', 'mini-jack': '3.5 mm jack',
}
