import { api } from './api'

/** 32 random hexadecimal digits. A page that comes over plain HTTP from another machine has no `randomUUID`. */
export const randomId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map(byte => byte.toString(16).padStart(2, '0')).join('')

/** The label of this browser, made once; undo is by browser, so it survives a reload. */
export function clientId(): string {
  const known = localStorage.getItem('interlumen:client')
  if (known && /^[a-z0-9-]{4,40}$/.test(known)) return known
  const made = `browser-${randomId().slice(0, 13)}`
  localStorage.setItem('interlumen:client', made)
  return made
}

/** What the person at this browser calls themselves; others read it beside their changes. */
export const myName = (): string => localStorage.getItem('interlumen:name') ?? ''

export async function callMe(name: string): Promise<void> {
  if (name) localStorage.setItem('interlumen:name', name.slice(0, 40))
  else localStorage.removeItem('interlumen:name')
  await tellName()
}

let told: string | undefined

/** Tells the server the name once, which it writes beside the changes of this browser. */
export async function introduce(): Promise<void> {
  if (myName() !== '' && myName() !== told) await tellName()
}

async function tellName(): Promise<void> {
  const name = myName()
  try {
    await api('/me', { method: 'PUT', body: { name } })
    told = name
  } catch {
    /* Changes come without a name until a plan is opened again. */
  }
}

let last = 0

/** A sequence number that no other tab of this browser gives, and that rises within this one. */
export function nextSeq(): number {
  last = Math.max(last + 1, Date.now() * 1000 + Math.floor(Math.random() * 1000))
  return last
}
