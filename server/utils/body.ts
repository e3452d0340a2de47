import type { H3Event } from 'h3'
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup'
import { MAX_FILE_BYTES, nestedBeyond } from '#core/document'
import { isArchive } from '#shared/archive'
import { MOST_BYTES } from '#shared/png'
import { fail, refused } from './refusal'

/** Largest body of a write that is no file: a transaction with its edits. */
const MAX_BODY_BYTES = 2_000_000

/**
 * Keeps a body no farther than its limit, whatever its length header says. The limit may rest on how it begins; what is
 * above it is then taken off the wire and forgotten, so that who sent it gets the answer.
 */
async function readBytes(
  event: H3Event,
  most: number,
  limitOf: (head: Buffer) => number = () => most,
): Promise<Buffer> {
  const { req } = event.node
  const tooLarge = (limit: number) =>
    fail(413, `The body is larger than ${limit} bytes.`, { allowed: `at most ${limit} bytes` })
  if (Number(req.headers['content-length'] ?? 0) > most) throw tooLarge(most)
  const chunks: Buffer[] = []
  let size = 0
  let limit = most
  for await (const chunk of req as AsyncIterable<Buffer>) {
    if (size === 0) limit = limitOf(chunk)
    size += chunk.length
    if (size > most) throw tooLarge(most)
    if (size > limit) chunks.length = 0
    else chunks.push(chunk)
  }
  if (size > limit) throw tooLarge(limit)
  return Buffer.concat(chunks)
}

const readText = async (event: H3Event): Promise<string> => (await readBytes(event, MAX_BODY_BYTES)).toString('utf8')
/** A copy of everything holds more than any one show. */
const MAX_COPY_BYTES = 400_000_000
export const readCopyText = async (event: H3Event): Promise<string> =>
  (await readBytes(event, MAX_COPY_BYTES)).toString('utf8')
/** An open file, or an archive of one with its pictures. */
const MAX_ARCHIVE_BYTES = 200_000_000
export const readFileBytes = (event: H3Event): Promise<Buffer> =>
  readBytes(event, MAX_ARCHIVE_BYTES, head => (isArchive(head) ? MAX_ARCHIVE_BYTES : MAX_FILE_BYTES))
export const readPictureBytes = (event: H3Event): Promise<Buffer> => readBytes(event, MOST_BYTES)

/** Reads a JSON body and checks its envelope; unknown keys are refused. */
export async function readEnvelope<T extends AnyObjectSchema>(event: H3Event, schema: T): Promise<InferType<T>> {
  const text = await readText(event)
  if (nestedBeyond(text)) throw refused({ path: '/', found: 'a body nested too deeply', allowed: 'at most 32 levels' })
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw refused({ path: '/', found: 'no JSON', allowed: 'one JSON object' })
  }
  try {
    return (await schema.noUnknown().validate(json, { strict: true, abortEarly: true })) as InferType<T>
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error
    throw refused({
      path: `/${(error.path ?? '').replaceAll('.', '/')}`,
      found: typeof error.value === 'object' ? 'something else' : (JSON.stringify(error.value) ?? 'nothing'),
      allowed: error.message,
    })
  }
}
