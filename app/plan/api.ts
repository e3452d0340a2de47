import { answerAhead } from './ahead'

/** An answer of the server that is no success. `offline` when there was no answer at all. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly data: Readonly<Record<string, unknown>> = {},
  ) {
    super(message)
  }

  get offline(): boolean {
    return this.status === 0
  }
}

/** Sends a request to the server and reads its JSON; throws ApiError. */
export async function api<T>(
  path: string,
  { method = 'GET', body, bytes }: { method?: string; body?: unknown; bytes?: Blob | Uint8Array } = {},
): Promise<T> {
  let response: Response
  try {
    const ahead = method === 'GET' ? answerAhead(path) : undefined
    response = await (ahead ??
      fetch(`/api${path}`, {
        method,
        ...(bytes !== undefined
          ? { body: bytes as BodyInit, headers: { 'content-type': 'application/octet-stream' } }
          : body === undefined
            ? {}
            : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      }))
  } catch {
    throw new ApiError(0, 'offline', 'The server does not answer.')
  }
  const content = await response.text()
  let json: unknown
  try {
    json = JSON.parse(content)
  } catch {
    throw new ApiError(response.status, 'unreadable', 'The server gave an answer that cannot be read.')
  }
  if (response.ok) return json as T
  const {
    code = 'unknown',
    message = 'The server refused.',
    ...data
  } = (json as { error?: { code?: string; message?: string } }).error ?? {}
  throw new ApiError(response.status, code, message, data)
}
