/** "1 h 46 min"; what is begun of a minute does not count. */
export function lastingText(minutes: number): string {
  const m = Math.floor(minutes)
  return m < 60 ? `${m}\u00A0min` : `${Math.floor(m / 60)}\u00A0h\u00A0${m % 60}\u00A0min`
}
