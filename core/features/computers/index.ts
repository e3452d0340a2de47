export { TASK_WORDS } from './facts'
