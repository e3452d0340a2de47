/** One error of the compiled schema, as ajv reports it. */
export interface SchemaError {
  readonly instancePath: string
  readonly keyword: string
  readonly params: Readonly<Record<string, unknown>>
  readonly schemaPath: string
  readonly propertyName?: string
}
interface Validator {
  (data: unknown): boolean
  errors?: readonly SchemaError[] | null
}
export const validateFile: Validator
export const plan: Validator
export const brief: Validator
export const title: Validator
export const transaction: Validator
export const wants: Validator
export const models: Validator
export const leads: Validator
export const devices: Validator
export const links: Validator
export const segments: Validator
export const kit: Validator
export const accepted: Validator
export const distances: Validator
