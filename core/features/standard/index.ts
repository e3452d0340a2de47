export { type Glow, type Lamp, type Rung, ladder } from './ladder'
export { inPlace } from './standard'
