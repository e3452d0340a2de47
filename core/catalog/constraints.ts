import type { Model, Port } from './model'

/** A way in which gear limits what can be planned, and which models have it. */
export interface Constraint {
  readonly title: string
  readonly has: (model: Model) => boolean
}

const somePort =
  (test: (port: Port) => boolean) =>
  ({ ports }: Model): boolean =>
    Object.values(ports).some(test)
const listed = ({ takes }: Port): boolean => typeof takes === 'object'

/** Every kind of constraint that the engine knows. */
export const CONSTRAINTS: readonly Constraint[] = [
  {
    title: 'strict inputs: raster, scan and exact rate of the operating standard',
    has: somePort(({ takes }) => takes === 'standard'),
  },
  {
    title: 'normalising inputs: a scaler each, with its delay',
    has: model => model.role === 'switcher' && somePort(port => listed(port) && port.delay !== undefined)(model),
  },
  {
    title: 'a list of formats at a sink or a device on the way',
    has: model => model.role !== 'switcher' && somePort(listed)(model),
  },
  {
    title: 'passes only some formats',
    has: ({ paths, ports, kind }) =>
      paths.some(({ passes }) => passes !== undefined) || (kind === 'radio' && Object.values(ports).some(listed)),
  },
  {
    title: 'modes that exclude each other, or one rate family alone',
    has: model =>
      model.modes !== undefined ||
      (model.role === 'source' &&
        somePort(
          ({ makes }) =>
            makes !== undefined &&
            makes.length > 0 &&
            (makes.every(({ rates }) => rates.every(rate => rate.endsWith('/1'))) ||
              makes.every(({ rates }) => rates.every(rate => rate.endsWith('/1001')))),
        )(model)),
  },
  { title: 'outputs to be pointed at several feeds', has: somePort(({ feeds }) => (feeds?.length ?? 0) > 1) },
  {
    title: 'a switcher without a multiview',
    has: model => model.role === 'switcher' && !somePort(({ feeds }) => feeds?.includes('multiview') === true)(model),
  },
  { title: 'content protection at the source', has: somePort(({ protection }) => protection !== undefined) },
  { title: 'readouts in the picture', has: somePort(({ readouts }) => readouts !== undefined) },
  {
    title: 'HDR or log until it is set',
    has: somePort(({ transfers }) => transfers?.some(one => one !== 'sdr') === true),
  },
  { title: 'range to be set', has: somePort(({ ranges }) => ranges !== undefined) },
  { title: '3G level', has: somePort(({ levels }) => levels !== undefined) },
  { title: '2160 over four links', has: somePort(({ connector }) => connector === 'bnc-4') },
  { title: 'another shape than 16:9', has: somePort(({ aspects }) => aspects?.some(one => one !== '16:9') === true) },
  {
    title: 'small plugs that need relief',
    has: somePort(({ connector }) => connector === 'hdmi-c' || connector === 'hdmi-d'),
  },
  { title: 'ends its work by itself', has: ({ limits }) => limits !== undefined },
  { title: 'must be set up from a computer or controller', has: ({ configured }) => configured !== undefined },
  {
    title: 'a list of formats that the source follows',
    has: model =>
      somePort(({ prefers }) => prefers !== undefined)(model) || model.paths.some(({ edid }) => edid !== undefined),
  },
  {
    title: 'loops its picture through',
    has: ({ role, paths }) => role === 'sink' && paths.some(({ format }) => format === 'same'),
  },
  { title: 'hands its picture on without renewing it', has: ({ paths }) => paths.some(({ passive }) => passive) },
  { title: 'any output shows any input', has: ({ paths }) => paths.some(({ format }) => format === 'chosen') },
  { title: 'a picture in picture that always shows one input', has: ({ inset }) => inset !== undefined },
  {
    title: 'several outputs at once',
    has: ({ role, ports }) => role === 'source' && Object.values(ports).filter(({ dir }) => dir === 'out').length > 1,
  },
  {
    title: 'silent: no sound beside its picture',
    has: ({ role, ports }) => role === 'source' && Object.values(ports).every(({ sound }) => !sound),
  },
]
