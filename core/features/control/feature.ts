import { feature } from '#core/propose'
import { ethernetTooLong } from './rules/ethernet-too-long'
import { noControl } from './rules/no-control'
import { usbTooLong } from './rules/usb-too-long'

export const control = feature({
  id: 'control',
  rules: [noControl, ethernetTooLong, usbTooLong],
})
