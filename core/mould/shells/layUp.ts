import type { Jacket } from '../../stock/index.ts'
import type { MethodInput } from '../method.ts'

/** The stiff material that is chosen; undefined when the stock has it no more. */
export const jacketOf = ({ piece, stock }: MethodInput<'brushed' | 'closed'>): Jacket | undefined =>
  stock.jackets.find((j) => j.id === piece.mould.jacket)

/** Hours to lay up shells over an area of mm2. */
export const layUpHours = (area: number, jacket: Jacket): number => (area / 1e6) * jacket.hoursPerM2
