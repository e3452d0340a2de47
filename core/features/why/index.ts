export { type Cause, SYMPTOMS, type Spot, type Symptom, why } from './why'
