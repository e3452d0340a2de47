import { feature } from '#core/propose'
import { cableSchedule, inputList } from './papers'

export const paper = feature({ id: 'paper', papers: [cableSchedule, inputList] })
