/** A time in which something was gone, ticks: it is there again at `to`; Infinity while it still is not. */
interface Gap {
  readonly from: number
  readonly to: number
}

/** When plugs were drawn and devices were without power, by a name for each. What happens comes in any order of ticks. */
export class Gaps {
  private readonly events = new Map<string, { readonly tick: number; readonly gone: boolean }[]>()

  note(name: string, tick: number, gone: boolean): void {
    const list = [...(this.events.get(name) ?? []), { tick, gone }]
    this.events.set(
      name,
      list.sort((a, b) => a.tick - b.tick),
    )
  }

  get none(): boolean {
    return this.events.size === 0
  }

  /** The names of what is gone at a tick. */
  open(tick: number): string[] {
    return [...this.events.keys()].filter(name => this.since([name], tick) !== undefined)
  }

  /** Since when one of some names has been gone without a break, at a tick; `after`: ticks that it takes to come back. */
  since(names: readonly string[], tick: number, after = 0): number | undefined {
    const gaps = names.flatMap(name => this.gapsOf(name)).map(({ from, to }) => ({ from, to: to + after }))
    let since: number | undefined
    for (let at = tick; ; at = since) {
      const gap = gaps
        .filter(({ from, to }) => from <= at && (at < to || (since !== undefined && at === to)))
        .reduce<Gap | undefined>((best, one) => (best && best.from <= one.from ? best : one), undefined)
      if (!gap || (since !== undefined && gap.from >= since)) return since
      since = gap.from
    }
  }

  private gapsOf(name: string): Gap[] {
    const found: Gap[] = []
    for (const { tick, gone } of this.events.get(name) ?? []) {
      const last = found.at(-1)
      const open = last?.to === Infinity
      if (gone && !open) found.push({ from: tick, to: Infinity })
      else if (!gone && open) found[found.length - 1] = { from: last.from, to: tick }
    }
    return found
  }
}
