import type { Job, Piece } from './job/index.ts'
import type { MixFigures } from './mix/index.ts'
import { amountWords, layOnBoard, sayItem } from './mould/index.ts'
import type { PiecePlan } from './plan.ts'
import { sheetStock } from './stock/index.ts'
import { showNumber, type WordsStyle, wordsStyle } from './units/index.ts'

/** What is bought together, in the order of the work. */
export const SHOPPING_GROUPS = ['boards', 'mould', 'steel', 'mix', 'faces', 'finish'] as const
export type ShoppingGroup = (typeof SHOPPING_GROUPS)[number]

/** How an amount is sold: whole boards, bags and cartridges, or by weight, volume and length. */
export type SoldBy =
  | 'sheet'
  | 'length'
  | 'piece'
  | 'cartridge'
  | 'turn'
  | 'set'
  | 'bag'
  | 'kg'
  | 'L'
  | 'm'
  | 'cm2'
const WHOLE: ReadonlySet<SoldBy> = new Set(['sheet', 'length', 'piece', 'cartridge', 'turn', 'set', 'bag'])

/** One thing to buy for the whole job. */
export type ShoppingRow = {
  /** The same for the same thing in every job: what is on the shelf is kept by it. */
  readonly key: string
  readonly group: ShoppingGroup
  readonly name: string
  readonly soldBy: SoldBy
  /** Exact, for all moulds and casts of the job. */
  readonly needed: number
  /** Of one; null without a price. */
  readonly price: number | null
  /** Pieces that take it. */
  readonly pieceIds: readonly string[]
}

/** Rounded up to what is sold, less what is there. Example: 2.3 bags with half a bag there are 2 to buy. */
export const toBuy = (
  { needed, soldBy }: Pick<ShoppingRow, 'needed' | 'soldBy'>,
  onShelf: number,
): number => {
  const short = Math.max(0, needed - onShelf)
  return WHOLE.has(soldBy) ? Math.ceil(short - 1e-9) : short
}

const METRIC: WordsStyle = wordsStyle({ units: 'mm', inchDenominator: 16 })

/** Units of agents, sealers and abrasives as an operation tells them. */
const TAKEN: Readonly<Record<string, SoldBy>> = {
  kg: 'kg',
  litre: 'L',
  metre: 'm',
  disc: 'piece',
  discs: 'piece',
}

/**
 * All that the job buys, over all stations of all its pieces: boards laid out together, whatever mould they are for; agents,
 * sealers and abrasives from what each operation takes. What it holds back: nothing is taken off for the shelf here.
 * `style` names what is called by its size in the reader's units.
 */
export function shoppingList(job: Job, plans: readonly PiecePlan[], style: WordsStyle): ShoppingRow[] {
  const rows = new Map<string, ShoppingRow>()
  const put = (piece: Piece, row: Omit<ShoppingRow, 'key' | 'pieceIds'> & { readonly key?: string }) => {
    if (!(row.needed > 0)) return
    const key = keyOf({ ...row, key: row.key ?? row.name })
    const own = rows.get(key)
    rows.set(key, {
      ...row,
      key,
      needed: (own?.needed ?? 0) + row.needed,
      pieceIds: [...new Set([...(own?.pieceIds ?? []), piece.id])],
    })
  }
  const cast = plans.flatMap((plan) => {
    const piece = job.pieces.find((p) => p.id === plan.id)
    return piece ? [{ piece, plan }] : []
  })
  boards(job, cast, put)
  for (const { piece, plan } of cast) {
    const { mould, steel, mix } = plan.stations
    const { quantity, mouldCount } = piece
    if (mould) {
      const { lengths, screws, sealant, hardware, materials } = mould.figures
      for (const l of lengths)
        put(piece, {
          group: 'mould',
          key: `${l.name}/${l.stockLengthMm}`,
          name: `${l.name}, ${style.mm(l.stockLengthMm)}`,
          soldBy: 'length',
          needed: l.bars.length,
          price: job.stock.tubes.find((t) => t.name === l.name)?.price ?? null,
        })
      for (const s of screws)
        put(piece, {
          group: 'mould',
          key: `screw/${s.lengthMm}`,
          name: `screws, ${style.mm(s.lengthMm)}`,
          soldBy: 'piece',
          needed: s.count * mouldCount,
          price: null,
        })
      const bead =
        'sealant' in piece.mould
          ? job.stock.sealants.find((s) => s.id === (piece.mould as { sealant?: string }).sealant)
          : undefined
      put(piece, {
        group: 'mould',
        name: bead?.name ?? 'sealant',
        soldBy: 'cartridge',
        needed: sealant.cartridgeShare * mouldCount,
        price: bead?.price ?? null,
      })
      for (const h of hardware)
        put(piece, {
          group: 'mould',
          key: sayItem(h, METRIC).name,
          name: sayItem(h, style).name,
          soldBy: h.unit,
          needed: h.amount * mouldCount,
          price: null,
        })
      for (const m of materials)
        put(piece, {
          group: 'mould',
          key: sayItem(m, METRIC).name,
          name: sayItem(m, style).name,
          soldBy: m.unit,
          needed: m.amount * (m.forCasts ? Math.ceil(quantity / m.forCasts) : mouldCount),
          price: m.cost !== null && m.amount > 0 ? m.cost / m.amount : null,
        })
    }
    if (steel?.figures.meshName && steel.figures.meshCut) {
      const { meshName, meshCut } = steel.figures
      put(piece, {
        group: 'steel',
        name: meshName,
        soldBy: 'sheet',
        needed: (meshCut.sheets.length * quantity) / meshCut.castCount,
        price: job.stock.meshes.find((m) => m.name === meshName)?.price ?? null,
      })
    }
    for (const b of steel?.figures.bars?.cut ?? [])
      put(piece, {
        group: 'steel',
        name: b.barName,
        soldBy: 'length',
        needed: b.bars.length * quantity,
        price: job.stock.bars.find((row) => row.id === b.barId)?.price ?? null,
      })
    if (mix) {
      const { mixName, mixedBags, doses, fibreKg, recipe, slurry } = mix.figures
      if (slurry)
        put(piece, {
          group: 'mix',
          name: 'cement',
          soldBy: 'kg',
          needed: slurry.cementKg * quantity,
          price: job.stock.recipes[0]?.prices.cement ?? null,
        })
      const row = job.stock.recipes.find((r) => r.id === piece.mix.mix)
      if (recipe)
        for (const { kind, kg } of recipe.ingredients)
          put(piece, {
            group: 'mix',
            name: kind,
            soldBy: 'kg',
            needed: kg * quantity,
            price: row?.prices[kind] ?? null,
          })
      else
        put(piece, {
          group: 'mix',
          name: mixName,
          soldBy: 'bag',
          needed: mixedBags * quantity,
          price: job.stock.mixes.find((m) => m.id === piece.mix.mix)?.price ?? null,
        })
      for (const d of doses)
        put(piece, {
          group: 'mix',
          name: d.name,
          soldBy: 'kg',
          needed: d.amountKg * quantity,
          price: job.stock.doses.find((row) => row.id === d.doseId)?.price ?? null,
        })
      put(piece, { group: 'mix', name: 'fibre', soldBy: 'kg', needed: fibreKg * quantity, price: null })
    }
    for (const op of plan.work)
      for (const t of op.takes)
        put(piece, {
          group: op.station === 'finish' ? 'finish' : 'faces',
          name: op.station === 'finish' && t.unit.startsWith('disc') ? `abrasive discs, ${t.name}` : t.name,
          soldBy: TAKEN[t.unit] ?? 'piece',
          needed: t.amount * (op.per === 'mould' ? mouldCount : quantity),
          price: priceOf(job, t.name),
        })
  }
  return [...rows.values()].sort(
    (a, b) => SHOPPING_GROUPS.indexOf(a.group) - SHOPPING_GROUPS.indexOf(b.group),
  )
}

type Put = (piece: Piece, row: Omit<ShoppingRow, 'key' | 'pieceIds'>) => void

const keyOf = (row: Pick<ShoppingRow, 'group' | 'soldBy'> & { readonly key: string }): string =>
  `${row.group}|${row.key}|${row.soldBy}`

/** What one pour takes of the shelf, by the key each thing is kept under there. */
export function takenByPour({
  mixName,
  mixedBags,
  doses,
  fibreKg,
  recipe,
  slurry,
}: Pick<MixFigures, 'mixName' | 'mixedBags' | 'doses' | 'fibreKg' | 'recipe' | 'slurry'>): ReadonlyMap<
  string,
  number
> {
  const taken = new Map<string, number>()
  const take = (key: string, soldBy: SoldBy, amount: number) => {
    if (!(amount > 0)) return
    const own = keyOf({ group: 'mix', key, soldBy })
    taken.set(own, (taken.get(own) ?? 0) + amount)
  }
  if (slurry) take('cement', 'kg', slurry.cementKg)
  if (recipe) for (const { kind, kg } of recipe.ingredients) take(kind, 'kg', kg)
  else take(mixName, 'bag', mixedBags)
  for (const d of doses) take(d.name, 'kg', d.amountKg)
  take('fibre', 'kg', fibreKg)
  return taken
}

/** Boards of all moulds, laid out together on each board: whole sheets beside the off-cuts that are there. */
function boards(
  job: Job,
  cast: readonly { readonly piece: Piece; readonly plan: PiecePlan }[],
  put: Put,
): void {
  for (const board of sheetStock(job.stock)) {
    const of = cast.flatMap(({ piece, plan }) => {
      const own = (plan.stations.mould?.figures.cutList ?? []).filter((r) => r.boardId === board.id)
      return own.length > 0
        ? [
            {
              piece,
              rows: own.map((r) => ({
                ...r,
                label: `${piece.id}/${r.label}`,
                count: r.count * piece.mouldCount,
              })),
            },
          ]
        : []
    })
    const [first] = of
    if (!first) continue
    const saw = {
      kerf: Math.max(...of.map(({ piece }) => piece.mould.kerf)),
      trim: Math.max(...of.map(({ piece }) => piece.mould.trim)),
      turnParts: of.every(({ piece }) => piece.mould.turnParts),
    }
    const laid = layOnBoard(
      of.flatMap((o) => o.rows),
      board,
      saw,
      1,
      { quick: true },
    )
    const whole = laid.sheets.filter((s) => !s.offcut).length
    // Each piece is told its share by area, so that all of them stand beside the boards they take.
    const area = (rows: readonly { lengthMm: number; widthMm: number; count: number }[]) =>
      rows.reduce((sum, r) => sum + r.lengthMm * r.widthMm * r.count, 0)
    const all = area(of.flatMap((o) => o.rows))
    for (const { piece, rows } of of)
      put(piece, {
        group: 'boards',
        name: board.name,
        soldBy: 'sheet',
        needed: (whole * area(rows)) / all,
        price: board.price,
      })
  }
}

/** A unit of an agent or sealer by its name; null where the stock has none. */
/** What is taken by name, at its price; null without one. */
export const priceOf = (job: Job, name: string): number | null =>
  job.stock.agents.find((a) => a.name === name)?.price ??
  job.stock.sealers.find((s) => s.name === name)?.price ??
  null

/** `3 sheets`, `0.4 kg`, `2 bags`: an amount as it is sold. */
export const soldWords = (amount: number, soldBy: SoldBy, style: WordsStyle): string =>
  soldBy === 'bag' || soldBy === 'length'
    ? `${showNumber(amount, 2)} ${soldBy}${amount === 1 ? '' : 's'}`
    : amountWords(amount, soldBy, style)

/** What a list costs, and how many of its rows have no price. */
export function shoppingCost(
  rows: readonly ShoppingRow[],
  onShelf: Readonly<Record<string, number>>,
): { readonly cost: number; readonly unpricedCount: number } {
  const bought = rows.filter((r) => toBuy(r, onShelf[r.key] ?? 0) > 0)
  return {
    cost: bought.reduce((sum, r) => sum + toBuy(r, onShelf[r.key] ?? 0) * (r.price ?? 0), 0),
    unpricedCount: bought.filter((r) => r.price === null).length,
  }
}

/** The list as comma-separated values (RFC 4180). What a spreadsheet would take for a formula is written as text. */
export function writeShoppingCsv(
  job: Job,
  rows: readonly ShoppingRow[],
  onShelf: Readonly<Record<string, number>>,
): string {
  const name = (id: string) => job.pieces.find((p) => p.id === id)?.name ?? ''
  const lines = rows.map((r) => {
    const buy = toBuy(r, onShelf[r.key] ?? 0)
    return [
      r.group,
      r.name,
      figure(r.needed),
      figure(onShelf[r.key] ?? 0),
      figure(buy),
      r.soldBy,
      r.price === null ? '' : figure(r.price),
      r.price === null ? '' : figure(buy * r.price),
      r.pieceIds.map(name).join('; '),
    ]
  })
  return [['for', 'what', 'needed', 'on the shelf', 'to buy', 'sold by', 'price', 'cost', 'pieces'], ...lines]
    .map((line) => line.map(cell).join(','))
    .join('\r\n')
    .concat('\r\n')
}

const figure = (n: number): string => String(Math.round(n * 1000) / 1000)
const cell = (text: string): string => {
  const safe = /^\s*[=+\-@\t\r]/.test(text) && !/^-?\d+(\.\d+)?$/.test(text) ? `'${text}` : text
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}
