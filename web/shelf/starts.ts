import {
  type NewPiece,
  newBox,
  newFitted,
  newOpening,
  newSlab,
  newSwept,
  newTurned,
  type Outline,
  type Piece,
  plainSide,
  withChoice,
} from '../../core/job/index.ts'
import { skinFor } from '../../core/mould/index.ts'
import { outlinePath } from '../../core/piece/index.ts'
import type { Stock } from '../../core/stock/index.ts'
import { newBasin, newField, newFrame, newLettering } from '../stations/piece/features/newFeatures.ts'
import { PLANS } from '../stations/piece/kinds/plans.ts'

export type Start = {
  readonly name: string
  readonly make: (told: NewPiece, stock: Stock) => Piece
}

const bead = { kind: 'bead', size: 6 } as const
const slab = (told: NewPiece, stock: Stock, length: number, width: number, thickness: number) =>
  newSlab({ ...told, length, width, thickness }, stock)
const noMesh = <P extends Piece>(piece: P): P => ({ ...piece, steel: { ...piece.steel, kind: 'none' } })
/** A wall too thin for mesh: the glass-fibre mix, where the stock has one. */
const thin = <P extends Piece>(piece: P, stock: Stock): P => {
  const mix = stock.mixes.find((m) => m.family === 'glass-fibre')
  return mix ? { ...noMesh(piece), mix: { ...piece.mix, mix: mix.id } } : piece
}
const plain =
  (length: number, width: number, thickness: number): Start['make'] =>
  (told, stock) =>
    slab(told, stock, length, width, thickness)
const drawn =
  (plan: string, length: number, width: number, thickness: number): Start['make'] =>
  (told, stock) => {
    const outline = PLANS.find((p) => p.name === plan)!.outline(length, width)
    const piece = slab(told, stock, length, width, thickness)
    const skin = skinFor(outlinePath(outline), stock.skins)
    return {
      ...piece,
      outline,
      sides: plainSides(outline),
      mould: skin ? withChoice(piece.mould, { skin }) : piece.mould,
    }
  }
const plainSides = (outline: Outline) =>
  outline.kind === 'polygon'
    ? Object.fromEntries(outline.corners.map((c) => [c.side, plainSide()]))
    : { front: plainSide(), right: plainSide(), back: plainSide(), left: plainSide() }

/** What a maker casts, by what it is, each with sensible sizes to start from. */
export const STARTS: readonly { readonly heading: string; readonly starts: readonly Start[] }[] = [
  {
    heading: 'Flat',
    starts: [
      { name: 'Top', make: plain(900, 500, 45) },
      { name: 'Shelf', make: plain(800, 220, 40) },
      {
        name: 'Tread',
        make: (told, stock) => ({
          ...slab(told, stock, 820, 290, 55),
          exposure: 'outdoors',
          sides: {
            front: plainSide({ top: { kind: 'chamfer', size: 8 } }),
            right: plainSide(),
            back: plainSide(),
            left: plainSide(),
          },
        }),
      },
      { name: 'Paver', make: plain(400, 400, 50) },
      {
        name: 'Wash top',
        make: (told, stock) =>
          noMesh({
            ...slab(told, stock, 1100, 520, 50),
            exposure: 'wet-room',
            openings: [
              newOpening('basin', 'basin', { kind: 'rectangle', length: 420, width: 320, radius: 45 }),
            ],
            sides: {
              front: plainSide({ top: bead }),
              right: plainSide({ top: bead }),
              back: plainSide(),
              left: plainSide({ top: bead }),
            },
          }),
      },
      {
        name: 'Sill',
        make: (told, stock) =>
          noMesh({
            ...slab(told, stock, 1000, 240, 50),
            exposure: 'outdoors',
            attitude: { down: 'top', turnDeg: 0 },
            sides: {
              front: plainSide({ drip: { inset: 20, width: 10, depth: 8 } }),
              right: plainSide(),
              back: plainSide(),
              left: plainSide(),
            },
          }),
      },
      { name: 'L-shaped top', make: drawn('L', 1400, 1100, 45) },
      { name: 'Round table', make: drawn('round', 700, 700, 40) },
      { name: 'Ring part', make: drawn('ring part', 500, 500, 60) },
      { name: 'Notched hearth', make: drawn('notched', 1000, 450, 50) },
      {
        name: 'Panel with frame',
        make: (told, stock) => ({
          ...slab(told, stock, 800, 500, 45),
          panels: [{ ...newField(), shape: { kind: 'inset', margin: 78 } }, newFrame()],
        }),
      },
      {
        name: 'Name plate',
        make: (told, stock) => ({
          ...slab(told, stock, 420, 160, 40),
          lettering: [{ ...newLettering('top', 60), text: 'No 7' }],
        }),
      },
      {
        name: 'Basin in one',
        make: (told, stock) =>
          thin(
            {
              ...slab(told, stock, 900, 500, 45),
              exposure: 'wet-room',
              basin: newBasin(900, 500),
              attitude: { down: 'top', turnDeg: 0 },
            },
            stock,
          ),
      },
      {
        name: 'Bollard',
        make: (told, stock) => {
          const outline = PLANS.find((p) => p.name === 'six-sided')!.outline(280, 280)
          const block = slab(told, stock, 280, 280, 800)
          return {
            ...block,
            outline,
            exposure: 'outdoors',
            steel: { ...block.steel, kind: 'none', standing: { how: 'footing', depth: 200 } },
            attitude: { down: 'bottom', turnDeg: 0 },
            sides:
              outline.kind === 'polygon'
                ? Object.fromEntries(outline.corners.map((c) => [c.side, plainSide({ taper: -40 })]))
                : {},
          }
        },
      },
    ],
  },
  {
    heading: 'Turned',
    starts: [
      {
        name: 'Drum',
        make: (told, stock) =>
          newTurned(told, stock, { turned: { form: 'cylinder', diameter: 300, height: 500 } }),
      },
      {
        name: 'Tube',
        make: (told, stock) =>
          newTurned(told, stock, {
            turned: { form: 'tube', outside: 320, inside: 240, height: 400, floor: 40 },
            attitude: { down: 'top', turnDeg: 0 },
          }),
      },
      {
        name: 'Cone',
        make: (told, stock) =>
          newTurned(told, stock, { turned: { form: 'frustum', bottom: 400, top: 280, height: 350 } }),
      },
      {
        name: 'Fluted shaft',
        make: (told, stock) =>
          newTurned(told, stock, {
            turned: {
              form: 'fluted',
              diameter: 260,
              height: 900,
              count: 16,
              depth: 11,
              cut: 'round',
              way: 'flutes',
              share: 0.74,
            },
          }),
      },
      {
        name: 'Sphere',
        make: (told, stock) =>
          newTurned(told, stock, { turned: { form: 'sphere', diameter: 330, foot: 110 } }),
      },
      {
        name: 'Bowl',
        make: (told, stock) =>
          newTurned(told, stock, {
            turned: { form: 'bowl', outside: 400, height: 180, wall: 50, exponent: 2.3, foot: 140 },
            attitude: { down: 'top', turnDeg: 0 },
          }),
      },
      {
        name: 'Turned base',
        make: (told, stock) =>
          newTurned(told, stock, {
            turned: {
              form: 'profile',
              corners: [
                { x: 0, y: 0, radius: 0, side: 'foot', run: { kind: 'line' } },
                { x: 190, y: 0, radius: 6, side: 'plinth', run: { kind: 'line' } },
                { x: 190, y: 70, radius: 0, side: 'hollow', run: { kind: 'arc', rise: -60 } },
                { x: 110, y: 240, radius: 0, side: 'neck', run: { kind: 'line' } },
                { x: 110, y: 300, radius: 0, side: 'cap', run: { kind: 'arc', rise: 20 } },
                { x: 140, y: 380, radius: 6, side: 'top', run: { kind: 'line' } },
                { x: 0, y: 380, radius: 0, side: 'axis', run: { kind: 'line' } },
              ],
            },
          }),
      },
    ],
  },
  {
    heading: 'By a side profile',
    starts: [
      { name: 'Seat', make: (told, stock) => newSwept(told, stock, { exposure: 'outdoors' }) },
      {
        name: 'Plinth',
        make: (told, stock) =>
          newSwept(told, stock, {
            exposure: 'outdoors',
            width: 900,
            corners: [
              { x: 0, y: 0, radius: 0, side: 'foot', run: { kind: 'line' } },
              { x: 600, y: 0, radius: 0, side: 'riser', run: { kind: 'line' } },
              { x: 600, y: 160, radius: 10, side: 'step', run: { kind: 'line' } },
              { x: 320, y: 160, radius: 0, side: 'second-riser', run: { kind: 'line' } },
              { x: 320, y: 320, radius: 10, side: 'top', run: { kind: 'line' } },
              { x: 0, y: 320, radius: 0, side: 'rear', run: { kind: 'line' } },
            ],
          }),
      },
    ],
  },
  {
    heading: 'Hollow',
    starts: [
      { name: 'Planter', make: (told, stock) => thin(newBox(told, stock, { exposure: 'outdoors' }), stock) },
      {
        name: 'Trough of panels',
        make: (told, stock) =>
          thin(
            newBox(told, stock, {
              exposure: 'outdoors',
              length: 900,
              width: 320,
              height: 320,
              taper: 0,
              wall: 30,
              floor: 30,
              attitude: { down: 'bottom', turnDeg: 0 },
              built: { corners: 'mitre', floor: 'between', glue: 2, dividers: 1 },
            }),
            stock,
          ),
      },
    ],
  },
  {
    heading: 'Made to fit',
    starts: [
      { name: 'Lid', make: (told, stock) => newFitted(told, stock) },
      {
        name: 'Plug',
        make: (told, stock) =>
          newFitted(told, stock, {
            part: 'plug',
            measured: { kind: 'round', diameter: 200 },
            thickness: 60,
            taperDeg: 4,
          }),
      },
      {
        name: 'Cap',
        make: (told, stock) =>
          thin(
            newFitted(told, stock, {
              part: 'cap',
              exposure: 'outdoors',
              measured: { kind: 'round', diameter: 200 },
              seat: 60,
              wall: 35,
              clearance: 6,
            }),
            stock,
          ),
      },
      {
        name: 'Sleeve',
        make: (told, stock) =>
          newFitted(told, stock, {
            part: 'sleeve',
            measured: { kind: 'round', diameter: 300 },
            thickness: 120,
            wall: 40,
            taperDeg: 1,
          }),
      },
    ],
  },
]
