export { COMMANDS } from './commands'
export { papersOf } from './papers'
export { QUERIES, type Answer, type QueryArguments, type QueryName } from './queries'
