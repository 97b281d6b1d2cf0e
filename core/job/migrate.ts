import { startingStock } from '../stock/catalogue.ts'
import { METRIC_UNITS, US_UNITS } from '../units/index.ts'
import { fieldsOf, METHOD_IDS, type MethodId, MOULD_DEFAULTS, SHARED_FIELDS } from './mouldChoice.ts'

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

/** What version 3 asks beside: rows of what moulds are made of beside boards. */
const NEW_ROWS = (): Raw => {
  const { skins, tubes, rubbers, foams, printers, filaments, jackets, vessels, plugs, liners } =
    startingStock()
  return { skins, tubes, rubbers, foams, printers, filaments, jackets, vessels, plugs, liners }
}

/** A record with what it lacks filled in; what it has stays. */
const filled = (raw: Raw, missing: Raw): Raw => ({
  ...missing,
  ...Object.fromEntries(Object.entries(raw).filter(([, value]) => value !== undefined)),
})

/** Version 2 built one mould, a box round a rectangle of boards alike both ways. */
const mouldsOfAnyPlan = (raw: Raw): Raw => ({
  ...raw,
  ...(isRecord(raw.settings) && { settings: { ...raw.settings, hourPrice: null } }),
  ...(isRecord(raw.stock) && {
    stock: { ...raw.stock, ...NEW_ROWS() },
  }),
})

/** A list's records changed, whatever else stands in it left as it is, to be refused with its place. */
const each = (list: unknown, change: (record: Raw) => Raw): unknown =>
  Array.isArray(list) ? list.map((item) => (isRecord(item) ? change(item) : item)) : list

/**
 * Version 3 grew while it was written: prices of hours, off-cuts, stiffness across the grain, rows and choices of mould
 * methods came one after another. Whatever of them a file lacks is filled in; then the choice of a mould keeps the
 * fields of its own method, and what was chosen for others beside them. Shells that are laid up say whether they soak.
 */
function choicesByMethod(raw: Raw): Raw {
  const rows = NEW_ROWS()
  return {
    ...raw,
    ...(isRecord(raw.settings) && { settings: filled(raw.settings, { hourPrice: null }) }),
    ...(isRecord(raw.stock) && {
      stock: {
        ...filled(raw.stock, rows),
        boards: each(raw.stock.boards, (board) =>
          filled(board, {
            offcuts: [],
            elasticityAcross: Number(board.elasticity) * (ACROSS[String(board.material)] ?? 1),
          }),
        ),
        jackets: each(raw.stock.jackets ?? rows.jackets, (jacket) =>
          filled(jacket, {
            soaks: records(rows.jackets).find((known) => known.id === jacket.id)?.soaks ?? true,
          }),
        ),
      },
    }),
    pieces: each(raw.pieces, (piece) =>
      isRecord(piece.mould) ? { ...piece, mould: choiceByMethod(piece.mould) } : piece,
    ),
  }
}

/** All fields in one record, whatever the method, become the chosen method's own and those kept from others. */
function choiceByMethod(raw: Raw): Raw {
  const method = (raw.method ?? 'board-box') as MethodId
  // A method that nobody knows is left as it stands: the reader says where.
  if (!METHOD_IDS.includes(method)) return raw
  const flat = filled(raw, MOULD_DEFAULTS as unknown as Raw)
  const known = new Set([...SHARED_FIELDS, ...METHOD_IDS.flatMap((m) => fieldsOf(m))])
  const take = (fields: readonly string[]) => Object.fromEntries(fields.map((f) => [f, flat[f]]))
  const strange = Object.fromEntries(Object.entries(raw).filter(([f]) => f !== 'method' && !known.has(f)))
  const defaults = MOULD_DEFAULTS as unknown as Raw
  const others = METHOD_IDS.filter(
    (m) =>
      m !== method &&
      fieldsOf(m).some((f) => raw[f] !== undefined && JSON.stringify(raw[f]) !== JSON.stringify(defaults[f])),
  )
  return {
    method,
    ...take(SHARED_FIELDS),
    ...take(fieldsOf(method)),
    ...strange,
    others: Object.fromEntries(others.map((m) => [m, take(fieldsOf(m))])),
  }
}

/** Version 4 knew no bars, and money without a sign. */
const barsAndMoney = (raw: Raw): Raw => ({
  ...raw,
  ...(isRecord(raw.settings) && { settings: filled(raw.settings, { currency: null }) }),
  ...(isRecord(raw.stock) && {
    stock: filled(raw.stock, { bars: startingStock().bars, plugs: [], liners: [] }),
  }),
})

/** Version 5 knew units of length alone: with inches a shop reads pounds, gallons, degF and psi. */
const unitsOfAll = (raw: Raw): Raw => ({
  ...raw,
  ...(isRecord(raw.settings) && {
    settings: filled(raw.settings, { others: raw.settings.units === 'inch' ? US_UNITS : METRIC_UNITS }),
  }),
})

/** Version 6 was told which lists to prove; now every list is looked at until it is proven or a count of work is done. */
const sheetsLookedFor = (raw: Raw): Raw => ({
  ...raw,
  pieces: each(raw.pieces, (piece) => {
    if (!isRecord(piece.mould)) return piece
    const { proveSheets: _, ...mould } = piece.mould
    return { ...piece, mould }
  }),
})

/** One step a version: `steps[n]` turns a document of version n into n + 1. Version 1 is the first. */
const steps: Readonly<Record<number, (raw: Raw) => Raw>> = {
  1: piecesOfManyKinds,
  2: mouldsOfAnyPlan,
  3: choicesByMethod,
  4: barsAndMoney,
  5: unitsOfAll,
  6: sheetsLookedFor,
}

/** Brings an older document up to the version this program writes, step by step. */
export function migrate(raw: Raw, from: number): Raw {
  let data = raw
  for (let version = from; steps[version]; version += 1)
    data = { ...steps[version]!(data), version: version + 1 }
  return data
}
