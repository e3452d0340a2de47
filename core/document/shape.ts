import { DEFINITIONS, isCollection, type Collection } from './collections'
import { type Outcome, accept, refuse, show } from './problem'
import { SCHEMA } from './schema'
import { validators } from '#validators'

type Name = 'validateFile' | 'plan' | 'brief' | 'title' | 'transaction' | Collection

/** Each collection has a validator of its name for one entry. */
const validatorOf = (name: Name) =>
  (validators() as unknown as Readonly<Record<Name, ReturnType<typeof validators>['plan']>>)[name]

/** Checks the shape of a value against one definition of the schema; the first error is told with its path. */
export function checkShape<T>(name: Name, value: unknown, base = ''): Outcome<T> {
  const validate = validatorOf(name)
  if (validate(value)) return accept(value as T)
  const error = validate.errors![0]!
  const at = error.instancePath
  const path = base + at
  const found = valueAt(value, at)
  const { params } = error
  switch (error.keyword) {
    case 'additionalProperties':
      return refuse(
        `${path}/${String(params.additionalProperty)}`,
        `unknown key ${show(params.additionalProperty)}`,
        knownKeys(name, at),
      )
    case 'required':
      return refuse(path, `no ${show(params.missingProperty)}`, `${show(params.missingProperty)} is required here`)
    case 'type':
      return refuse(path, show(found), `a value of type ${String(params.type)}`)
    case 'enum':
      return refuse(path, show(found), (params.allowedValues as unknown[]).join(', '))
    case 'const':
      return refuse(path, show(found), show(params.allowedValue))
    case 'discriminator':
      return refuse(
        path,
        show((found as Record<string, unknown> | undefined)?.[String(params.tag)]),
        `${String(params.tag)} is one of add, remove, set, connect, disconnect, move`,
      )
    case 'pattern': {
      const key =
        error.propertyName ??
        (validate.errors!.find(({ keyword }) => keyword === 'propertyNames')?.params.propertyName as string | undefined)
      const allowed =
        PATTERN_WORDS.find(([pattern]) => pattern === params.pattern)?.[1] ??
        `text that matches ${String(params.pattern)}`
      return key === undefined
        ? refuse(path, show(found), allowed)
        : refuse(`${path}/${key}`, `key ${show(key)}`, allowed)
    }
    case 'minimum':
    case 'maximum':
    case 'exclusiveMinimum':
    case 'exclusiveMaximum':
      return refuse(path, show(found), `a number ${String(params.comparison)} ${String(params.limit)}`)
    case 'minItems':
    case 'maxItems':
    case 'minProperties':
    case 'maxProperties':
      return refuse(
        path,
        `${Array.isArray(found) ? found.length : Object.keys(found as object).length} entries`,
        `${error.keyword.startsWith('min') ? 'at least' : 'at most'} ${String(params.limit)}`,
      )
    default:
      return refuse(path, show(found), error.keyword)
  }
}

const PATTERN_WORDS: readonly (readonly [string, string])[] = [
  [
    SCHEMA.$defs.slug.pattern,
    'an id of 1 to 64 lower-case letters, figures and hyphens, hyphens inside only (and not "constructor")',
  ],
  [SCHEMA.$defs.title.pattern, 'text of 1 to 120 characters without control characters'],
  [SCHEMA.$defs.note.pattern, 'text of 1 to 400 characters without control characters but line ends'],
  [SCHEMA.$defs.date.pattern, 'a day written 2026-03-14'],
  [SCHEMA.$defs.time.pattern, 'a time of day written 09:30'],
  [SCHEMA.$defs.fieldName.pattern, 'a field name of letters, figures and hyphens'],
  ['^builtin/[a-z0-9-]{1,64}@[1-9][0-9]{0,5}$', 'a reference of the form builtin/<id>@<revision>'],
  ['^[A-Z][0-9]{2}:[a-z0-9/@-]{1,220}$', 'the key of a finding, such as L01:link/wide-run/cable'],
  ['^[A-Z]{3}$', 'a currency code of three capital letters (ISO 4217)'],
]

function valueAt(root: unknown, pointer: string): unknown {
  return pointer
    .split('/')
    .slice(1)
    .reduce<unknown>(
      (value, key) => (value as Record<string, unknown> | undefined)?.[key.replaceAll('~1', '/').replaceAll('~0', '~')],
      root,
    )
}

type DeviceNode = Readonly<Record<string, unknown>>

/** The keys that the schema lists at a place in the data, whichever of its branches applies there. */
function knownKeys(name: Name, pointer: string): string {
  const defs = SCHEMA.$defs as unknown as Readonly<Record<string, DeviceNode>>
  const root =
    name === 'validateFile'
      ? (SCHEMA as unknown as DeviceNode)
      : defs[isCollection(name) ? DEFINITIONS[name].entry : name]!
  const branches = (node: DeviceNode): DeviceNode[] => {
    const own = typeof node.$ref === 'string' ? branches(defs[node.$ref.slice('#/$defs/'.length)]!) : [node]
    return own.flatMap(one => [
      one,
      ...[one.then, one.else, ...((one.oneOf as DeviceNode[] | undefined) ?? [])].flatMap(inner =>
        inner ? branches(inner as DeviceNode) : [],
      ),
    ])
  }
  let nodes = branches(root)
  for (const step of pointer.split('/').slice(1)) {
    nodes = nodes.flatMap(node => {
      const below =
        (node.properties as Readonly<Record<string, DeviceNode>> | undefined)?.[step] ??
        (typeof node.additionalProperties === 'object' ? (node.additionalProperties as DeviceNode) : undefined) ??
        (node.items as DeviceNode | undefined)
      return below ? branches(below) : []
    })
  }
  const keys = new Set(nodes.flatMap(node => Object.keys((node.properties as object | undefined) ?? {})))
  return keys.size ? [...keys].join(', ') : 'only the keys of the format'
}
