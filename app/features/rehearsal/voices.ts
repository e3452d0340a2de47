/** A sound that is heard, and how loud, 0 .. 1. */
interface Sounding {
  readonly device: string
  readonly level: number
}

/** How loud all of it may become: tones are harder on ears than speech. */
const LOUDEST = 0.12
/** Ramps of this length do not click, s. */
const RAMP_S = 0.02

/** Stands in for the sounds of a show: each source has a pitch of its own, in the rhythm of speech. */
export class Voices {
  private readonly context = new AudioContext()
  private readonly gains = new Map<string, GainNode>()

  play(heard: readonly Sounding[]): void {
    const loud = new Map(heard.map(({ device, level }) => [device, level]))
    for (const { device } of heard) if (!this.gains.has(device)) this.gains.set(device, this.voice(device))
    for (const [device, gain] of this.gains) {
      const level = (loud.get(device) ?? 0) * LOUDEST
      gain.gain.setTargetAtTime(level, this.context.currentTime, RAMP_S)
    }
  }

  close(): void {
    void this.context.close()
  }

  /** A tone with overtones that opens and closes like syllables, at a pitch and a pace that the name gives. */
  private voice(device: string): GainNode {
    const seed = [...device].reduce((h, letter) => (h * 31 + letter.charCodeAt(0)) % 9973, 7)
    const tone = new OscillatorNode(this.context, { type: 'sawtooth', frequency: 110 * 2 ** ((seed % 19) / 12) })
    const mouth = new BiquadFilterNode(this.context, { type: 'bandpass', frequency: 500 + (seed % 7) * 180, Q: 1.2 })
    const syllables = new GainNode(this.context, { gain: 0.5 })
    const pace = new OscillatorNode(this.context, { type: 'sine', frequency: 2.5 + (seed % 11) / 6 })
    const depth = new GainNode(this.context, { gain: 0.5 })
    const out = new GainNode(this.context, { gain: 0 })
    pace.connect(depth).connect(syllables.gain)
    tone.connect(mouth).connect(syllables).connect(out).connect(this.context.destination)
    tone.start()
    pace.start()
    return out
  }
}
