import { formatTo, strictRule } from '../strict-rule'

export const F16 = strictRule('F16', {
  about: 'Two stages of a cascade work in different standards.',
  says: '{sender} works in {sends}, and {input}, which it feeds, takes only {standard}: the link shows black.',
  offers: formatTo.betweenStages,
})
