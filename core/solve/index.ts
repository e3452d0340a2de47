export { Program, type Watch, relaxed, solve } from './milp'
