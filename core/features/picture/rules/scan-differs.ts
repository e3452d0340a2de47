import { formatTo, strictRule } from '../strict-rule'

export const scanDiffers = strictRule('F03', {
  about: 'Only the scan differs: interlaced against progressive.',
  says: '{sender} sends {sends} to {input}, which takes only {standard}: raster and rate agree, the scan does not, so the input shows black.',
  offers: formatTo.anything,
})
