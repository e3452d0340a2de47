import { makesInAnyMode } from '#core/catalog'
import { type Stop, type Traced, type WireTrace, isSwitcher } from '#core/chain'
import { type VideoFormat, differsBy1001, setsContain } from '#core/signal'

type AtStrict = WireTrace & { readonly stop: Extract<Stop, { why: 'standard' }> }

/**
 * Which fault a format is that a strict input refuses. Exactly one: F16 between two switchers; F04 where no setting of
 * what makes the format gives the standard; F02 where only the factor 1000/1001 differs; F03 where only the scan
 * differs (at equal frame rate); else F01.
 */
export function strictFault({ chain }: Traced, { signal, stop }: AtStrict): 'F01' | 'F02' | 'F03' | 'F04' | 'F16' {
  const setter = chain.nodes.get(signal!.setBy.device)!
  if (isSwitcher(setter)) return 'F16'
  if (!makesInAnyMode(setter.model, signal!.setBy.port).some(({ sets }) => canShow(sets, stop.standard))) return 'F04'
  const { sends, standard } = stop
  if (sends.raster === standard.raster && sends.scan === standard.scan && differsBy1001(sends.rate, standard.rate))
    return 'F02'
  if (sends.raster === standard.raster && sends.rate === standard.rate) return 'F03'
  return 'F01'
}

/** Segmented frame shows at an interlaced input of the same raster and rate. */
function canShow(sets: Parameters<typeof setsContain>[0], standard: VideoFormat): boolean {
  return setsContain(sets, standard) || (standard.scan === 'i' && setsContain(sets, { ...standard, scan: 'psf' }))
}

/** "raster (...) and frame rate (...) differ": each field that differs. */
export function differenceWords(sends: VideoFormat, standard: VideoFormat): string {
  const words = {
    raster: `raster (${sends.raster} against ${standard.raster})`,
    scan: `scan (${SCAN_WORDS[sends.scan]} against ${SCAN_WORDS[standard.scan]})`,
    rate: `frame rate (${frameWords(sends)} against ${frameWords(standard)})`,
  }
  const parts = (['raster', 'scan', 'rate'] as const)
    .filter(field => sends[field] !== standard[field])
    .map(field => words[field])
  return parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)} differ` : `${parts[0]} differs`
}

const SCAN_WORDS = { p: 'progressive', i: 'interlaced', psf: 'segmented frame' } as const
const frameWords = ({ rate }: VideoFormat): string => `${rate.endsWith('/1') ? rate.slice(0, -2) : rate} frames/s`
