import { startingStock } from '../stock/catalogue.ts'

type Raw = Record<string, unknown>

const records = (value: unknown): Raw[] => (Array.isArray(value) ? value.filter(isRecord) : [])
const isRecord = (value: unknown): value is Raw =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** Version 1 knew one kind of piece, a slab with four sides and openings that go through. */
function piecesOfManyKinds(raw: Raw): Raw {
  const side = (rim: unknown): unknown =>
    isRecord(rim) ? { ...rim, taper: 0, liner: 0, drip: null, apron: null, seam: false } : rim
  const opening = ({ row, ...rest }: Raw): Raw => ({
    ...rest,
    depth: null,
    draftDeg: 0,
    turnDeg: 0,
    made: 'cast',
    pattern: isRecord(row) ? { kind: 'row', ...row } : (row ?? null),
  })
  return {
    ...raw,
    pieces: Array.isArray(raw.pieces)
      ? raw.pieces.map((piece) =>
          isRecord(piece)
            ? {
                ...piece,
                ...(isRecord(piece.sides) && {
                  sides: Object.fromEntries(Object.entries(piece.sides).map(([id, rim]) => [id, side(rim)])),
                }),
                ...(Array.isArray(piece.openings) && { openings: records(piece.openings).map(opening) }),
                drainers: [],
                panels: [],
                basin: null,
                inserts: [],
                lettering: [],
                run: null,
              }
            : piece,
        )
      : raw.pieces,
  }
}

/** Stiffness across the face grain beside that along it, by material. */
const ACROSS: Readonly<Record<string, number>> = {
  'birch-ply': 7000 / 9500,
  'film-faced-ply': 7000 / 9500,
  'spruce-ply': 3500 / 7500,
}

/** What version 3 asks beside: rows of what moulds are made of beside boards, and the choices that name them. */
const NEW_ROWS = () => {
  const { skins, tubes, rubbers, foams, printers, filaments, jackets, vessels, plugs, liners } =
    startingStock()
  return { skins, tubes, rubbers, foams, printers, filaments, jackets, vessels, plugs, liners }
}
const NEW_CHOICES = {
  sideBoards: {},
  joinLong: false,
  formersPrinted: false,
  proveSheets: false,
  holdBy: 'screws',
  knockoutKinds: {},
  insideCorners: 'mitre',
  rounds: 'block',
  skin: 'skin-hardboard-3',
  overlap: 30,
  tube: 'tube-150',
  rubber: 'polyurethane-40',
  rubberWall: null,
  rubberParts: 1,
  skinCoat: 8,
  jacket: 'jacket-plaster',
  layerStock: 'foam-xps-20',
  blockMargin: 40,
  routerPass: 6,
  printer: 'printer-220',
  filament: 'filament-pla',
  shellWall: 4,
  shells: 2,
  flange: 20,
  boltSpacing: 120,
  ribSpacing: null,
  vessel: 'vessel-bucket-12',
  vesselWaterKg: null,
  vesselFill: 'water',
  packing: 'earth',
  liner: { thickness: 6, backing: 20 },
  linerSheet: null,
  bead: 'bead-first',
  table: null,
  braceSpacing: null,
}

/** Version 2 built one mould, a box round a rectangle of boards alike both ways. */
const mouldsOfAnyPlan = (raw: Raw): Raw => ({
  ...raw,
  ...(isRecord(raw.settings) && { settings: { ...raw.settings, hourPrice: null } }),
  ...(isRecord(raw.stock) && {
    stock: {
      ...raw.stock,
      ...NEW_ROWS(),
      boards: records(raw.stock.boards).map((board) => ({
        ...board,
        offcuts: [],
        elasticityAcross: Number(board.elasticity) * (ACROSS[String(board.material)] ?? 1),
      })),
    },
  }),
  pieces: Array.isArray(raw.pieces)
    ? raw.pieces.map((piece) =>
        isRecord(piece) && isRecord(piece.mould)
          ? { ...piece, mould: { ...piece.mould, ...NEW_CHOICES } }
          : piece,
      )
    : raw.pieces,
})

/** One step a version: `steps[n]` turns a document of version n into n + 1. Version 1 is the first. */
const steps: Readonly<Record<number, (raw: Raw) => Raw>> = {
  1: piecesOfManyKinds,
  2: mouldsOfAnyPlan,
}

/** Brings an older document up to the version this program writes, step by step. */
export function migrate(raw: Raw, from: number): Raw {
  let data = raw
  for (let version = from; steps[version]; version += 1)
    data = { ...steps[version]!(data), version: version + 1 }
  return data
}
