export { CONSTRAINTS } from './constraints'
export {
  type Delay,
  FEEDS,
  type Feed,
  KINDS,
  type Limit,
  type Model,
  type Path,
  type Port,
  ROLES,
  ROLE_WORDS,
  type Role,
  carriesPicture,
  followsSink,
  isBeside,
  isCamera,
  makesInAnyMode,
  makesOf,
  portsOf,
  takesProtected,
} from './model'
export { CATALOGUE_CURRENCY, MODELS } from './models'
export { PORT_COLUMNS, type PortRow, portRows, portsOfRows } from './table'
