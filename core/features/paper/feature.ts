import { feature } from '#core/propose'
import { cableSchedule, inputList, settingList } from './papers'

export const paper = feature({ id: 'paper', papers: [cableSchedule, inputList, settingList] })
