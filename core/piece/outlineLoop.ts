import { circleLoop, type Loop, type Point, type RectangleNames, rectangleLoop } from '../geometry/index.ts'
import type { OpeningShape, Outline, SideId } from '../job/index.ts'

export const SIDES: readonly SideId[] = ['front', 'right', 'back', 'left']

const OUTLINE_NAMES: RectangleNames = {
  sides: ['side/front', 'side/right', 'side/back', 'side/left'],
  corners: ['corner/front-left', 'corner/front-right', 'corner/back-right', 'corner/back-left'],
}

/** The piece's plan as placed, anticlockwise from the front left corner, its sides named. */
export const outlineLoop = ({ length, width, radii }: Outline): Loop =>
  rectangleLoop([0, 0], length, width, radii, OUTLINE_NAMES)

/** How far a shape reaches either way from its middle, along u and v. */
export const halfSize = (shape: OpeningShape): Point =>
  shape.kind === 'round' ? [shape.diameter / 2, shape.diameter / 2] : [shape.length / 2, shape.width / 2]

/** A shape smaller all round by `inset` mm (larger when negative); its radius shrinks with it. */
export const insetShape = (shape: OpeningShape, inset: number): OpeningShape =>
  shape.kind === 'round'
    ? { kind: 'round', diameter: shape.diameter - 2 * inset }
    : {
        kind: 'rectangle',
        length: shape.length - 2 * inset,
        width: shape.width - 2 * inset,
        radius: Math.max(0, shape.radius - inset),
      }

/** An opening's boundary about its middle, anticlockwise, walls named `opening/<key>/wall/<n>`. */
export function shapeLoop(shape: OpeningShape, [x, y]: Point, key: string): Loop {
  const wall = (n: string) => `opening/${key}/wall/${n}`
  if (shape.kind === 'round') return circleLoop([x, y], shape.diameter / 2, wall('1'))
  const { length, width, radius: r } = shape
  return rectangleLoop([x - length / 2, y - width / 2], length, width, [r, r, r, r], {
    sides: [wall('1'), wall('2'), wall('3'), wall('4')],
    corners: [wall('4-1'), wall('1-2'), wall('2-3'), wall('3-4')],
  })
}
