import type { Point } from '../../core/geometry/index.ts'

/** Where on the plan a point of the page lies, as placed, in mm; null beside the plan. Set by the plan that is shown. */
export const planTarget: { current: (clientX: number, clientY: number) => Point | null } = {
  current: () => null,
}
