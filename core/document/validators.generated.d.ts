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
