import type { MouldChoice } from '../job/index.ts'
import { forceToMass } from '../units/convert.ts'
import type { WordsStyle } from '../units/index.ts'
import type { BuiltMould } from './method.ts'
import type { MouldFigures } from './types.ts'

/** What construction adhesive or hot glue is trusted with on sealed board, N/mm2: a tenth of what it bears when fresh [own]. */
const GLUE = 0.05

/** What holds a part down against its uplift, by the means chosen: screws from below, glue under it, a weight on a bridge. */
export const holdRows = (rows: BuiltMould['holdDown'], by: MouldChoice['holdBy']): MouldFigures['holdDown'] =>
  rows.map((row) => ({
    ...row,
    by: row.screws === 0 && by === 'screws' ? 'weight' : by,
    glueMm2: row.holdForceN / GLUE,
    weightKg: forceToMass(row.holdForceN),
  }))

type HoldRow = MouldFigures['holdDown'][number]

/** The means in words: `2 screws from below`, `34 cm2 of glue`, `12 kg on a bridge`. */
export function holdWords({ by, screws, glueMm2, weightKg }: HoldRow, { kg, of }: WordsStyle): string {
  if (by === 'glue') return `${of('patch', Math.ceil(glueMm2 / 100), 0)} of glue`
  if (by === 'weight') return `${kg(Math.ceil(weightKg * 10) / 10, 1)} on a bridge`
  return `${screws} ${screws === 1 ? 'screw' : 'screws'} from below`
}
