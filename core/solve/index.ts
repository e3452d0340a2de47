export * from './standard'
export * from './ladder'
