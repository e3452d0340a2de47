import { feature } from '#core/propose'
import { crewShort } from './rules/crew-short'
import { noSafeShot } from './rules/no-safe-shot'

export const crew = feature({
  id: 'crew',
  rules: [noSafeShot, crewShort],
})
