import { formatTo, strictRule } from '../strict-rule'

export const rateFactor = strictRule('F02', {
  about: 'Only the factor 1000/1001 separates the frame rates.',
  says: '{sender} sends {sends} to {input}, which takes only {standard}: the rates slip one frame every {slip} and never lock, so the input shows black.',
  offers: formatTo.anything,
})
