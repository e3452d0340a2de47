import { drawing } from './drawing'
for (const w of [640, 1280]) {
  const t = drawing(w, 200)
    .slice(20)
    .sort((a, b) => a - b)
  console.log(
    w,
    'median',
    t[t.length >> 1]!.toFixed(1),
    'p95',
    t[Math.floor(t.length * 0.95)]!.toFixed(1),
    'over 20 ms',
    t.filter(x => x > 20).length / t.length,
  )
}
