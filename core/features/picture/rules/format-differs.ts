import { formatTo, strictRule } from '../strict-rule'

export const formatDiffers = strictRule('F01', {
  about: 'The format differs from the standard of a strict input in raster, or in several fields.',
  says: '{sender} sends {sends} to {input}, which takes only {standard}: {difference}, so the input shows black.',
  offers: formatTo.anything,
})
