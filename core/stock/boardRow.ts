import type { Board } from './schema.ts'
import { HANDBOOK, OWN } from './sources.ts'

/** A board of particle board with melamine unless it is told otherwise; sizes in mm. */
export const boardRow = (
  id: string,
  name: string,
  material: Board['material'],
  [thickness, length, width]: readonly [number, number, number],
  rest: Partial<Board> = {},
): Board => ({
  id,
  name,
  material,
  thickness,
  length,
  width,
  grain: false,
  densityKgPerM3: 680,
  elasticity: 2000,
  elasticityAcross: rest.elasticity ?? 2000,
  screwHold: 250,
  offcuts: [],
  price: null,
  source: `density and stiffness: ${HANDBOOK}; screw hold: ${OWN}`,
  ...rest,
})
