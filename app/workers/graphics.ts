import type { Graphic } from '#core/picture'
import { readKeptPng } from '#shared/png'

// Pictures of shows, fetched by their hash and decoded once; what a hash names never changes.

type Decode = (file: Uint8Array) => Graphic | Promise<Graphic>
let decode: Decode = readKeptPng
/** Has them decoded elsewhere: by a worker of its own, where this one has frames to draw meanwhile. */
export function decodeBy(other: Decode): void {
  decode = other
}

const LOADING = new Map<string, Promise<Graphic | undefined>>()
const LOADED = new Map<string, Graphic>()
/** Some hundred MB of pixels at most. */
export const MOST = 24

async function fetched(file: string): Promise<Graphic | undefined> {
  try {
    const answer = await fetch(`/api/pictures/${file}`)
    if (!answer.ok) return undefined
    return await decode(new Uint8Array(await answer.arrayBuffer()))
  } catch {
    return undefined
  }
}

function keep(file: string, graphic: Graphic): void {
  if (LOADED.size >= MOST) LOADED.delete(LOADED.keys().next().value!)
  LOADED.set(file, graphic)
}

/** A picture; undefined where the server does not have it, or does not answer: then it is asked for again next time. */
export async function graphicOf(file: string): Promise<Graphic | undefined> {
  const known = LOADED.get(file)
  if (known) return known
  const loading =
    LOADING.get(file) ??
    fetched(file).finally(() => {
      LOADING.delete(file)
    })
  LOADING.set(file, loading)
  const graphic = await loading
  if (graphic) keep(file, graphic)
  return graphic
}

/** A picture that is at hand already; else it is fetched for the next time. */
export function graphicNow(file: string): Graphic | undefined {
  const known = LOADED.get(file)
  if (!known) void graphicOf(file)
  return known
}
