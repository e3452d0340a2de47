import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { type FromNews, hub } from './news'

class Stream {
  static all: Stream[] = []
  closed = false
  private readonly heard: Record<string, ((event: { data?: string }) => void)[]> = {}
  constructor() {
    Stream.all.push(this)
  }
  addEventListener(name: string, hear: unknown): void {
    ;(this.heard[name] ??= []).push(hear as never)
  }
  close(): void {
    this.closed = true
  }
  emit(name: string, data?: unknown): void {
    for (const hear of this.heard[name] ?? []) hear({ data: JSON.stringify(data) })
  }
}
const made = () => {
  const news = hub(() => new Stream() as never)
  const join = () => {
    const told: FromNews[] = []
    return { told, leave: news.join(message => told.push(message)) }
  }
  return { join }
}
const WRITTEN = { show: 'a', plan: 'main', entries: [] }

describe('one stream for all tabs', () => {
  beforeEach(() => {
    Stream.all = []
    vi.useFakeTimers()
  })
  afterEach(() => void vi.useRealTimers())

  it('serves any number of listeners by one stream, which the first opens and the last closes', () => {
    const { join } = made()
    const tabs = Array.from({ length: 20 }, join)
    expect(Stream.all).toHaveLength(1)
    Stream.all[0]!.emit('open')
    Stream.all[0]!.emit('written', WRITTEN)
    for (const { told } of tabs) expect(told).toEqual([{ is: 'open' }, { is: 'written', ...WRITTEN }])
    for (const { leave } of tabs.slice(1)) leave()
    expect(Stream.all[0]!.closed).toBe(false)
    tabs[0]!.leave()
    expect(Stream.all[0]!.closed).toBe(true)
  })
  it('lets who comes later catch up at once', () => {
    const { join } = made()
    join()
    Stream.all[0]!.emit('open')
    expect(join().told).toEqual([{ is: 'open' }])
  })
  it('opens anew after every error, however often, and has everybody catch up', () => {
    const { join } = made()
    const { told } = join()
    for (let n = 0; n < 10; n++) {
      Stream.all.at(-1)!.emit('error')
      vi.advanceTimersByTime(2000)
    }
    expect(Stream.all).toHaveLength(11)
    expect(Stream.all.slice(0, -1).every(({ closed }) => closed)).toBe(true)
    Stream.all.at(-1)!.emit('open')
    Stream.all[3]!.emit('written', WRITTEN)
    expect(told).toEqual([{ is: 'open' }])
  })
  it('opens nothing more once the last has left during a break', () => {
    const { join } = made()
    const { leave } = join()
    Stream.all[0]!.emit('error')
    leave()
    vi.advanceTimersByTime(10_000)
    expect(Stream.all).toHaveLength(1)
  })
})
