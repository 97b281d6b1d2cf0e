import type { MouldChoice, SideId } from '../../job/index.ts'

/** A rectangle in the mould's plan, as poured: its low corner and its extents. */
export type Footprint = {
  readonly x: number
  readonly y: number
  readonly length: number
  readonly width: number
}

export type BoxPlan = {
  readonly base: Footprint
  readonly baseLow: number
  readonly stripLow: number
  readonly stripHigh: number
  /** Strips by where they stand in the mould, not by the piece's side. */
  readonly strips: Readonly<Record<SideId, Footprint>>
}

type Box = {
  readonly length: number
  readonly width: number
  readonly thickness: number
  readonly baseThickness: number
  readonly sideThickness: number
}

/**
 * Where base and strips of a rectangular box stand, cavity from (0, 0) to (length, width), z = 0 the base's face.
 * Wrap: the base is the piece's plan and the strips go round its edge; stand: the strips stand on a wider base.
 * 900 x 500 x 45, t 18, wrap: base 900 x 500, strips 936 x 63 and 500 x 63; stand: base 936 x 536, strips 45 wide.
 */
export function boxPlan(
  { length, width, thickness, baseThickness, sideThickness: t }: Box,
  choice: MouldChoice,
): BoxPlan {
  const wrap = choice.school === 'wrap'
  const out = wrap ? 0 : t + choice.baseMargin
  return {
    base: { x: -out, y: -out, length: length + 2 * out, width: width + 2 * out },
    baseLow: -baseThickness,
    stripLow: wrap ? -baseThickness : 0,
    stripHigh: thickness,
    strips: stripPlan(length, width, t, choice.runPast, choice.corners),
  }
}

function stripPlan(
  length: number,
  width: number,
  t: number,
  run: number,
  corners: MouldChoice['corners'],
): Record<SideId, Footprint> {
  const [fromEnd, toEnd] = [-t - run, t + run]
  switch (corners) {
    case 'front-and-back-long':
      return {
        front: { x: fromEnd, y: -t, length: length + 2 * toEnd, width: t },
        back: { x: fromEnd, y: width, length: length + 2 * toEnd, width: t },
        left: { x: -t, y: 0, length: t, width },
        right: { x: length, y: 0, length: t, width },
      }
    case 'ends-long':
      return {
        front: { x: 0, y: -t, length, width: t },
        back: { x: 0, y: width, length, width: t },
        left: { x: -t, y: fromEnd, length: t, width: width + 2 * toEnd },
        right: { x: length, y: fromEnd, length: t, width: width + 2 * toEnd },
      }
    case 'pinwheel':
      return {
        front: { x: 0, y: -t, length: length + toEnd, width: t },
        right: { x: length, y: 0, length: t, width: width + toEnd },
        back: { x: fromEnd, y: width, length: length + toEnd, width: t },
        left: { x: -t, y: fromEnd, length: t, width: width + toEnd },
      }
  }
}
