import { measureLoop } from '../../geometry/index.ts'
import type { PieceStation } from '../../piece/index.ts'
import type { Board, Skin } from '../../stock/index.ts'
import type { BarePart } from '../bareParts.ts'
import { skinSurface, surfaceOf } from '../surfaces.ts'
import type { MouldFace } from '../types.ts'
import { fixId, SHAPED } from './boxOrder.ts'

type Boards = {
  readonly base: Board
  readonly side: Board
  readonly skin: Skin | undefined
}

/** What the concrete meets in a board box, face by face. */
export function boxFaces(
  { geometry, figures }: PieceStation,
  parts: readonly BarePart[],
  depth: number,
  { base, side, skin }: Boards,
): MouldFace[] {
  const of = (...roles: BarePart['role'][]) => parts.filter((p) => roles.includes(p.role))
  const skins = of('skin')
  const skinArea = skins.reduce((sum, p) => sum + p.lengthMm * depth, 0) * 1e-6
  const lined = of('liner').reduce((sum, p) => sum + p.lengthMm * p.widthMm, 0) * 1e-6
  const sideArea = measureLoop(geometry.outline).perimeter * depth * 1e-6 - skinArea - lined
  const knockouts = of('knockout')
  const is = (...kinds: string[]) =>
    knockouts.filter((p) => p.source.of === 'opening' && kinds.includes(p.source.is))
  const wrapped = new Set(of('wrap').map((p) => (p.source.of === 'opening' ? p.source.key : '')))
  const isWrapped = ({ source }: BarePart) => source.of === 'opening' && wrapped.has(source.key)
  const boards = is('boards', 'first half', 'second half', 'wedge')
  const rawEdge = 'raw board edge'
  const shaped = parts.some((p) => p.layers.length > 1) ? [SHAPED] : ['cut/list']
  const faces: (Omit<MouldFace, 'partIds' | 'areaM2'> & {
    readonly parts: readonly BarePart[]
    readonly areaM2?: number
  })[] = [
    { face: 'base', parts: of('base'), areaM2: figures.showFaceAreaM2, ...surfaceOf(base), ...INSIDE },
    { face: 'sides', parts: of('strip'), areaM2: Math.max(0, sideArea), ...surfaceOf(side), ...INSIDE },
    ...(skin
      ? [{ face: 'skins', parts: skins, areaM2: skinArea, ...skinSurface(skin), ...INSIDE } as const]
      : []),
    { face: 'corner-edges', parts: of('corner'), material: rawEdge, surface: 'raw edge' },
    {
      face: 'knockout-edges',
      parts: boards.filter((p) => !isWrapped(p)),
      material: rawEdge,
      surface: 'raw edge',
    },
    { face: 'knockout-edges', parts: boards.filter(isWrapped), material: rawEdge, surface: 'wrapped' },
    { face: 'tubes', parts: is('tube'), material: 'card', surface: 'card' },
    { face: 'foam', parts: is('foam'), material: 'foam', surface: 'taped foam' },
    { face: 'plugs', parts: is('plug'), material: 'moulded plug', surface: 'smooth' },
    { face: 'formers', parts: of('former'), material: 'sealed former', surface: 'coated' },
    { face: 'chamfers', parts: of('chamfer'), material: 'chamfer fillet', surface: 'smooth' },
    {
      face: 'side-liners',
      parts: of('liner'),
      areaM2: lined,
      material: 'textured liner',
      surface: 'texture',
    },
  ]
  return faces
    .filter((f) => f.parts.length > 0)
    .map(({ parts: own, areaM2, ...face }) => {
      const early = face.face === 'knockout-edges' || face.face === 'corner-edges' || face.face === 'foam'
      return {
        ...face,
        partIds: own.map((p) => p.id),
        areaM2: areaM2 ?? own.reduce((sum, p) => sum + faceArea(p), 0) * 1e-6,
        ...(early && {
          sealAfter: shaped,
          sealBefore: [
            ...own.map((p) => `wrap/${p.id}`),
            ...own.map(fixId),
            ...(face.face === 'corner-edges' ? ['glue/corners'] : []),
          ],
        }),
      }
    })
}

/** Raw boards are sealed once they stand, before the bead. */
const INSIDE = { sealBefore: ['run/bead'] } as const

/** Face of a part that stands in the concrete, mm2: round it, from its foot to its top. */
function faceArea(part: BarePart): number {
  if (part.role === 'chamfer') return part.lengthMm * Math.hypot(part.widthMm, part.thicknessMm)
  if (part.recipe.kind !== 'prism')
    return part.role === 'former'
      ? part.lengthMm * part.widthMm + 2 * (part.lengthMm + part.widthMm) * part.thicknessMm
      : 2 * (part.lengthMm + part.widthMm) * part.thicknessMm
  const { outline, low, high } = part.recipe
  const wet = outline.filter((s) => part.role !== 'corner' || s.arc)
  const length = wet.reduce(
    (sum, { from, to, arc }) =>
      sum + (arc ? arc.radius * Math.abs(arc.sweepRad) : Math.hypot(to[0] - from[0], to[1] - from[1])),
    0,
  )
  return length * (high - low)
}
