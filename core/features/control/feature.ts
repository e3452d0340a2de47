import { feature } from '#core/propose'
import { addressApart } from './rules/address-apart'
import { addressPooled } from './rules/address-pooled'
import { addressReserved } from './rules/address-reserved'
import { addressTwice } from './rules/address-twice'
import { addressUnknown } from './rules/address-unknown'
import { alikeFirst } from './rules/alike-at-first'
import { ethernetTooLong } from './rules/ethernet-too-long'
import { noControl } from './rules/no-control'
import { noWayOut } from './rules/no-way-out'
import { numberTwice } from './rules/number-twice'
import { portWrong } from './rules/port-wrong'
import { radioAlone } from './rules/radio-alone'
import { usbTooLong } from './rules/usb-too-long'

export const control = feature({
  id: 'control',
  rules: [
    noControl,
    ethernetTooLong,
    usbTooLong,
    addressTwice,
    addressApart,
    addressReserved,
    addressPooled,
    noWayOut,
    addressUnknown,
    numberTwice,
    portWrong,
    alikeFirst,
    radioAlone,
  ],
})
