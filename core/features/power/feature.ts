import { feature } from '#core/propose'
import { BATTERY_ANCHOR, CIRCUIT_ANCHOR, DISTRIBUTION_ANCHOR, LOAD_ANCHOR, STRIP_ANCHOR } from './anchors'
import { MEASURES } from './measures'
import { CURRENT_QUANTITY } from './quantities'
import { batteryShort, phoneEmpty } from './rules/battery-short'
import { circuitOverloaded } from './rules/circuit-overloaded'
import { poeBudget, poeClass } from './rules/poe-short'
import { flies } from './rules/flies'
import { leaks } from './rules/leaks'
import { deviceUnsupplied, wayUnsupplied } from './rules/no-supply'
import { lowVoltage } from './rules/low-voltage'
import { shutIn } from './rules/shut-in'
import { stripIntoStrip } from './rules/strip-into-strip'

export const power = feature({
  id: 'power',
  anchors: [CIRCUIT_ANCHOR, BATTERY_ANCHOR, STRIP_ANCHOR, DISTRIBUTION_ANCHOR, LOAD_ANCHOR],
  quantities: [CURRENT_QUANTITY],
  measures: MEASURES,
  rules: [
    circuitOverloaded,
    batteryShort,
    phoneEmpty,
    flies,
    poeClass,
    poeBudget,
    wayUnsupplied,
    deviceUnsupplied,
    stripIntoStrip,
    leaks,
    lowVoltage,
    shutIn,
  ],
})
