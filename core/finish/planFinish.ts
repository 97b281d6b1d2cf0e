import { type Finding, findingList, type Piece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import { type PourStation, peopleToLift } from '../pour/index.ts'
import type { SteelStation } from '../steel/index.ts'
import type { Stock } from '../stock/index.ts'
import type { FinishFigures, FinishStation, FinishStep } from './types.ts'

/** Our own figures: pore paste kg/m2 a round, hours before it is sanded, area a 125 mm disc lasts, hours to sand 1 m2. */
const PASTE_KG_PER_M2 = 0.3
const PASTE_HOURS = 1
const DISC_M2 = { light: 1.5, wet: 4 } as const
const SAND_HOURS_PER_M2 = 0.5
const FIRST_SANDING_HOURS = 24

type Inputs = { readonly piece: PieceStation; readonly steel: SteelStation; readonly pour: PourStation }

/** The seventh station: how the cast becomes what was wanted, with as few turns as its order allows. */
export function planFinishStation(
  piece: Piece,
  stations: Inputs,
  stock: Stock,
): { station: FinishStation | null; findings: Finding[] } {
  const sealer = stock.sealers.find((s) => s.id === piece.finish.sealer)
  const { findings, raise } = findingList('finish', piece.id, 'choice', 'finish')
  if (!sealer) {
    raise('sealer-missing', 'stop', { row: piece.finish.sealer })
    return { station: null, findings }
  }
  const { geometry, figures } = stations.piece
  const edges = 2 * (geometry.length + geometry.width) * geometry.thickness * 1e-6
  const area = piece.kind === 'slab' ? figures.showFaceAreaM2 + edges : Math.max(figures.showFaceAreaM2, 1e-4)
  const free = (stations.pour.figures.flipMinutes ?? 0) / 60
  const steps: FinishStep[] = []
  let now = free
  const add = (
    code: FinishStep['code'],
    text: string,
    at: number,
    wait: number,
    amount: number | null = null,
    unit = '',
  ) => {
    const start = Math.max(now, at)
    steps.push({ code, text, faceUp: 'show face', startHours: start, waitHours: wait, amount, unit })
    now = start + wait
  }
  add('ease-arrises', 'Ease sharp arrises with a block, respirator on', now, 0.25)
  if (piece.finish.sanding !== 'as-cast') {
    const wet = piece.finish.sanding === 'wet-400'
    const discs = Math.ceil(area / (wet ? DISC_M2.wet : DISC_M2.light))
    add(
      'sand',
      wet ? 'Sand wet, 220 then 400, from the edge inward' : 'Sand lightly, 220, from the edge inward',
      FIRST_SANDING_HOURS,
      SAND_HOURS_PER_M2 * area * (wet ? 2 : 1),
      discs,
      discs === 1 ? 'disc' : 'discs',
    )
    add('fill-pores', 'Work pore paste in, one round', now, PASTE_HOURS, PASTE_KG_PER_M2 * area, 'kg')
    add(
      'sand-filler',
      'Sand the paste back',
      now,
      SAND_HOURS_PER_M2 * area,
      discs,
      discs === 1 ? 'disc' : 'discs',
    )
  }
  add('clean', 'Vacuum and wipe; wash off any wax or oil', now, 0.5)
  let total = 0
  for (let coat = 1; coat <= sealer.coats; coat += 1) {
    const amount = area / (sealer.coverM2PerUnit * (coat === 1 ? sealer.firstCoatFactor : 1))
    total += amount
    add(
      'coat',
      `${sealer.name}, coat ${coat} of ${sealer.coats}${coat > 1 ? ', across the last' : ''}`,
      sealer.notBeforeDays * 24,
      sealer.betweenCoatsMinutes / 60,
      amount,
      sealer.unit,
    )
  }
  add('cure-coat', 'Leave it to harden before use', now, sealer.inUseDays * 24)
  const wet = piece.exposure === 'outdoors' || piece.exposure === 'soil' || piece.exposure === 'wet-room'
  if (wet && sealer.school === 'film') {
    const oil = stock.sealers.find((s) => s.school === 'penetrating')
    raise(
      'film-outdoors',
      'warn',
      { sealer: sealer.name, exposure: piece.exposure },
      oil
        ? [
            {
              code: 'film-outdoors',
              facts: { sealer: oil.name },
              changes: [{ type: 'finishChosen', pieceId: piece.id, patch: { sealer: oil.id } }],
            },
          ]
        : [],
    )
  }
  if (piece.exposure === 'kitchen' && sealer.school === 'wax')
    raise('wax-in-kitchen', 'note', { sealer: sealer.name })
  const result: FinishFigures = {
    sealer: sealer.name,
    coats: sealer.coats,
    sealerAmount: total,
    sealerUnit: sealer.unit,
    sealerCost: sealer.price === null ? null : sealer.price * total,
    faceAreaM2: area,
    steps,
    turns: piece.attitude.down === 'bottom' ? 0 : 1,
    turnPeople: peopleToLift(stations.steel.figures.placedKg),
    daysToUse: Math.ceil(now / 24),
  }
  return { station: { figures: result, findings }, findings }
}
