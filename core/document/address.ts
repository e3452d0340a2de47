/** An IPv4 address with the length of its prefix (RFC 4632): "192.168.10.21/24". */
export interface Address {
  /** As a whole number, 0 .. 2^32 - 1. */
  readonly ip: number
  /** Bits of the network part, 8 .. 30. */
  readonly prefix: number
}

export const ADDRESS = '^[0-9]{1,3}(\\.[0-9]{1,3}){3}/[0-9]{1,2}$'

const OCTET = '(25[0-5]|2[0-4][0-9]|1?[0-9]?[0-9])'
/** The same with figures that are all in their range. */
export const STRICT_ADDRESS = `^${OCTET}(\\.${OCTET}){3}/([89]|[12][0-9]|30)$`

/** Reads an address; undefined where a figure is out of its range. */
export function parseAddress(text: string): Address | undefined {
  if (!new RegExp(ADDRESS).test(text)) return undefined
  const [dotted, bits] = text.split('/') as [string, string]
  const octets = dotted.split('.').map(Number)
  const prefix = Number(bits)
  if (octets.some(octet => octet > 255) || prefix < 8 || prefix > 30) return undefined
  return { ip: octets.reduce((sum, octet) => sum * 256 + octet, 0), prefix }
}

export const addressText = ({ ip, prefix }: Address): string => `${dottedText(ip)}/${prefix}`
export const dottedText = (ip: number): string =>
  [24, 16, 8, 0].map(shift => Math.floor(ip / 2 ** shift) % 256).join('.')

/** Addresses of a subnet, the first and the last of which no device may have. */
const sizeOf = (prefix: number): number => 2 ** (32 - prefix)

/** The first address of the subnet, which names it. */
export const subnetOf = ({ ip, prefix }: Address): number => Math.floor(ip / sizeOf(prefix)) * sizeOf(prefix)

/** Both find each other without a router: each lies in the subnet that the other believes in. */
export const areTogether = (a: Address, b: Address): boolean =>
  subnetOf(a) === subnetOf({ ip: b.ip, prefix: a.prefix }) && subnetOf(b) === subnetOf({ ip: a.ip, prefix: b.prefix })

/** The address of the network itself, or the one that all of it hear. */
export const isReservedAddress = (address: Address): boolean => {
  const host = address.ip - subnetOf(address)
  return host === 0 || host === sizeOf(address.prefix) - 1
}

/** The lowest address of a subnet that nobody has; undefined where it is full. */
export function nextFree(like: Address, isTaken: (ip: number) => boolean): Address | undefined {
  const first = subnetOf(like)
  for (let host = 1; host < Math.min(sizeOf(like.prefix) - 1, 65_536); host++)
    if (!isTaken(first + host)) return { ip: first + host, prefix: like.prefix }
  return undefined
}

/** A port of UDP or TCP, 1 .. 65535: "udp:5000". */
export const LISTENS =
  '^(udp|tcp):([1-9][0-9]{0,3}|[1-5][0-9]{4}|6[0-4][0-9]{3}|65[0-4][0-9]{2}|655[0-2][0-9]|6553[0-5])$'
