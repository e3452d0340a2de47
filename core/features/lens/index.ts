export { SHOWN, mmText, needed } from './facts'
