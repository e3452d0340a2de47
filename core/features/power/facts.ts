export { SOCKET_WORDS } from './collection'
