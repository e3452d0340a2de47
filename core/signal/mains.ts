export const MAINS_IDS = ['230v-50hz', '120v-60hz', '100v-50hz', '100v-60hz', '127v-60hz', '220v-60hz'] as const
export type MainsId = (typeof MAINS_IDS)[number]

export interface Mains {
  readonly id: MainsId
  readonly volts: number
  readonly hz: 50 | 60
}

/** Nominal supply by region: IEC 60038 and the practice of the regions that keep older voltages. */
export const MAINS: readonly Mains[] = MAINS_IDS.map(id => {
  const [volts, hz] = id.split('-').map(part => Number.parseInt(part, 10)) as [number, 50 | 60]
  return { id, volts, hz }
})

export const mainsOf = (id: MainsId): Mains => MAINS[MAINS_IDS.indexOf(id)]!

/** Beats per second slower than this drift by unseen: 59.94 frames at 60 Hz beat 0.12 times a second. */
export const SLOW_BEAT = 0.5

/** Beats per second between lamps that pulse at twice the mains and a picture rate: |2 hz - k fps|, k the nearest whole. */
export function beatOf(hz: number, fps: number): number {
  return Math.abs(2 * hz - Math.max(1, Math.round((2 * hz) / fps)) * fps)
}
