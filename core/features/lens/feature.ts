import { feature } from '#core/propose'
import { noLens } from './rules/no-lens'

export const lens = feature({ id: 'lens', rules: [noLens] })
