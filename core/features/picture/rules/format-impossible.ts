import { formatTo, strictRule } from '../strict-rule'

export const formatImpossible = strictRule('F04', {
  about: 'The source has no setting that gives what the input takes.',
  says: '{sender} sends {sends} and has no setting for {standard}, the only format that {input} takes: the input shows black.',
  offers: formatTo.withoutSetting,
})
