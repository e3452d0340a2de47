import { feature } from '#core/propose'
import { addressApart } from './rules/address-apart'
import { addressReserved } from './rules/address-reserved'
import { addressTwice } from './rules/address-twice'
import { ethernetTooLong } from './rules/ethernet-too-long'
import { noControl } from './rules/no-control'
import { usbTooLong } from './rules/usb-too-long'

export const control = feature({
  id: 'control',
  rules: [noControl, ethernetTooLong, usbTooLong, addressTwice, addressApart, addressReserved],
})
