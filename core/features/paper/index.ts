export { paperText } from './papers'
