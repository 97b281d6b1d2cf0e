import { z } from 'zod'

/** One line of an instrument, as it comes over the wire: `{"of":"scale","kg":12.345}`. */
export const instrumentSchema = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('scale'), kg: z.number().min(-1000).max(5000) }),
  z.strictObject({ of: z.literal('concrete'), degC: z.number().min(-60).max(150) }),
  z.strictObject({ of: z.literal('air'), degC: z.number().min(-60).max(150) }),
])
export type InstrumentLine = z.infer<typeof instrumentSchema>

/** A line that was read, or why it was not; an instrument that sends nonsense is told, not believed. */
export function readInstrument(text: string): { readonly line: InstrumentLine } | { readonly why: string } {
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch {
    return { why: 'it sent something that is not JSON' }
  }
  const read = instrumentSchema.safeParse(data)
  return read.success ? { line: read.data } : { why: 'it sent a line that is not of the protocol' }
}

/** What the scale showed lately, newest last: seconds and kg. */
export type Shown = readonly { readonly at: number; readonly kg: number }[]

/** A scale rests while it keeps within so much, kg or of what lies on it, for so long, s. */
const RESTS = { kg: 0.02, share: 0.002, seconds: 2 } as const
/** What is older is not looked at, s. */
const LOOKED_AT = 6

/**
 * What lies on a scale: the middle of what it showed lately, so that one jump is not believed, and whether it rests. Null
 * where it has shown nothing for six seconds.
 */
export function onScale(shown: Shown, now: number): { readonly kg: number; readonly rests: boolean } | null {
  const lately = shown.filter((s) => now - s.at <= LOOKED_AT)
  if (lately.length === 0) return null
  const short = lately.filter((s) => now - s.at <= RESTS.seconds + 0.5)
  const sorted = (short.length > 0 ? short : lately).map((s) => s.kg).sort((a, b) => a - b)
  const kg = sorted[sorted.length >> 1]!
  const near = Math.max(RESTS.kg, RESTS.share * Math.abs(kg))
  const within = sorted.filter((n) => Math.abs(n - kg) <= near)
  // Of five one may have jumped.
  return { kg, rests: short.length >= 3 && within.length >= Math.ceil(0.8 * sorted.length) }
}
