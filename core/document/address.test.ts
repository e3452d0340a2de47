import { describe, expect, it } from 'vitest'
import { addressText, areTogether, isReservedAddress, nextFree, parseAddress, subnetOf } from './address'

const of = (text: string) => parseAddress(text)!

describe('addresses', () => {
  it('are read as figures, and refused where one is out of its range', () => {
    // 192 * 2^24 + 168 * 2^16 + 10 * 2^8 + 21
    expect(of('192.168.10.21/24')).toEqual({ ip: 3_232_238_101, prefix: 24 })
    expect(addressText(of('10.0.0.255/8'))).toBe('10.0.0.255/8')
    for (const bad of [
      '',
      '10.0.0.1',
      '10.0.0/24',
      '256.0.0.1/24',
      '10.0.0.1/7',
      '10.0.0.1/31',
      '10.0.0.1/24 ',
      'a.b.c.d/24',
    ])
      expect(parseAddress(bad), bad).toBeUndefined()
  })
  it('lie in subnets as RFC 4632 cuts them', () => {
    const subnet = (text: string) => addressText({ ip: subnetOf(of(text)), prefix: of(text).prefix })
    expect(subnet('192.168.10.21/24')).toBe('192.168.10.0/24')
    // 40 is 0010 1000: of a prefix of 28 the first four bits stay, which is 32.
    expect(subnet('10.1.2.40/28')).toBe('10.1.2.32/28')
    expect(subnet('172.20.5.9/12')).toBe('172.16.0.0/12')
  })
  it('find each other where each lies in the subnet that the other believes in', () => {
    expect(areTogether(of('10.0.0.1/24'), of('10.0.0.200/24'))).toBe(true)
    expect(areTogether(of('10.0.0.1/24'), of('10.0.1.1/24'))).toBe(false)
    // The one with the short prefix sees both; the other answers to nobody outside of its sixteen.
    expect(areTogether(of('10.0.0.1/16'), of('10.0.0.40/28'))).toBe(false)
  })
  it('are reserved at both ends of a subnet, and the next free one lies between', () => {
    expect(
      ['10.0.0.16/28', '10.0.0.17/28', '10.0.0.30/28', '10.0.0.31/28'].map(text => isReservedAddress(of(text))),
    ).toEqual([true, false, false, true])
    const taken = new Set([17, 18, 20].map(host => of('10.0.0.0/28').ip + host))
    expect(addressText(nextFree(of('10.0.0.20/28'), ip => taken.has(ip))!)).toBe('10.0.0.19/28')
    const full = new Set(Array.from({ length: 14 }, (_, i) => of('10.0.0.0/28').ip + 17 + i))
    expect(nextFree(of('10.0.0.20/28'), ip => full.has(ip))).toBeUndefined()
  })
})
