export { changed, REFUSED, type Refused } from './refused'
