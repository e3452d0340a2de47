/** A piece of JSON Schema (draft-07). */
export type Schema = Readonly<Record<string, unknown>>

/** A definition that the document's schema has by this name. */
export const ref = (name: string): Schema => ({ $ref: `#/$defs/${name}` })
export const object = (required: string[], properties: Record<string, Schema>, more: Schema = {}): Schema => ({
  type: 'object',
  additionalProperties: false,
  required,
  properties,
  ...more,
})
/** A map by id. */
export const mapOf = (values: Schema, max = 5000): Schema => ({
  type: 'object',
  propertyNames: ref('slug'),
  additionalProperties: values,
  maxProperties: max,
})
export const listOf = (items: Schema, max: number, min = 0): Schema => ({
  type: 'array',
  items,
  minItems: min,
  maxItems: max,
})
export const number = (minimum: number, maximum: number): Schema => ({ type: 'number', minimum, maximum })
export const whole = (minimum: number, maximum: number): Schema => ({ type: 'integer', minimum, maximum })
export const oneOf = (values: readonly (string | number)[]): Schema => ({ enum: [...values] })
/** Said or not said; never false. */
export const said: Schema = { const: true }
/** A set of ids, each said and none false; an empty one is left out. */
export const idSet = (most: number): Schema => ({
  type: 'object',
  propertyNames: ref('slug'),
  additionalProperties: said,
  minProperties: 1,
  maxProperties: most,
})
