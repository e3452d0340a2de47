import { stalls } from './stalls'
await stalls()
process.exit(0)
