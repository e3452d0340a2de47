import { refuse, show, type Outcome, accept } from './problem'
import * as validators from './validators.generated'
import type { SchemaError } from './validators.generated'
import { SCHEMA } from './schema'

type Name = Exclude<keyof typeof validators, 'SchemaError'>

/** Checks the shape of a value against one definition of the schema; the first error is told with its path. */
export function checkShape<T>(name: Name, value: unknown, base = ''): Outcome<T> {
  const validate = validators[name]
  if (validate(value)) return accept(value as T)
  const error = validate.errors![0]!
  const at = error.instancePath
  const path = base + at
  const found = valueAt(value, at)
  const { params } = error
  switch (error.keyword) {
    case 'additionalProperties':
      return refuse(`${path}/${String(params.additionalProperty)}`, `unknown key ${show(params.additionalProperty)}`, knownKeys(error.parentSchema))
    case 'required': return refuse(path, `no ${show(params.missingProperty)}`, `${show(params.missingProperty)} is required here`)
    case 'type': return refuse(path, show(found), `a value of type ${String(params.type)}`)
    case 'enum': return refuse(path, show(found), (params.allowedValues as unknown[]).join(', '))
    case 'const': return refuse(path, show(found), show(params.allowedValue))
    case 'discriminator': return refuse(path, show((found as Record<string, unknown> | undefined)?.[String(params.tag)]), `${String(params.tag)} is one of add, remove, set, connect, disconnect, move`)
    case 'pattern': {
      const key = error.propertyName
      const allowed = PATTERN_WORDS.find(([pattern]) => pattern === params.pattern)?.[1] ?? `text that matches ${String(params.pattern)}`
      return key === undefined ? refuse(path, show(found), allowed) : refuse(`${path}/${key}`, `key ${show(key)}`, allowed)
    }
    case 'minimum': case 'maximum': case 'exclusiveMinimum': case 'exclusiveMaximum':
      return refuse(path, show(found), `a number ${String(params.comparison)} ${String(params.limit)}`)
    case 'minItems': case 'maxItems': case 'minProperties': case 'maxProperties':
      return refuse(path, `${Array.isArray(found) ? found.length : Object.keys(found as object).length} entries`, `${error.keyword.startsWith('min') ? 'at least' : 'at most'} ${String(params.limit)}`)
    default: return refuse(path, show(found), error.message ?? error.keyword)
  }
}

const PATTERN_WORDS: readonly (readonly [string, string])[] = [
  [SCHEMA.$defs.slug.pattern, 'an id of 1 to 64 lower-case letters, figures and hyphens, hyphens inside only (and not "constructor")'],
  [SCHEMA.$defs.title.pattern, 'text of 1 to 120 characters without control characters'],
  [SCHEMA.$defs.fieldName.pattern, 'a field name of letters, figures and hyphens'],
  ['^builtin/[a-z0-9-]{1,64}@[1-9][0-9]{0,5}$', 'a reference of the form builtin/<id>@<revision>'],
  ['^[A-Z]{3}$', 'a currency code of three capital letters (ISO 4217)'],
]

function valueAt(root: unknown, pointer: string): unknown {
  return pointer.split('/').slice(1).reduce<unknown>((value, key) => (value as Record<string, unknown> | undefined)?.[key.replaceAll('~1', '/').replaceAll('~0', '~')], root)
}

/** The keys that the refusing part of the schema lists. */
function knownKeys(schema: SchemaError['parentSchema']): string {
  const keys = Object.keys(schema?.properties ?? {})
  return keys.length ? keys.join(', ') : 'only the keys of the format'
}
