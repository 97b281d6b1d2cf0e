import { type Finding, findingList, type Piece } from '../job/index.ts'
import type { PieceStation } from '../piece/index.ts'
import { ingredientsIn, type Mix, type Mixer, type Stock } from '../stock/index.ts'
import { act, type Operation, operation } from '../work/index.ts'
import { type Asks, bandOf, consistencyFindings, SPREAD } from './consistency.ts'
import { doseFindings, doseParts, dosesOf, setShare } from './doses.ts'
import { slurryOf } from './slurry.ts'
import type { Batch, MixFigures, MixStation } from './types.ts'
import type { MixFindings } from './words.ts'

/** Waste by size of the cast, percent [own]: small moulds lose more to the tub. */
export const defaultWaste = (litres: number): number => (litres < 10 ? 15 : 10)
/** A mixer takes whole or half bags. */
const BAG_STEP = 0.5
/** Part of the water held back until the mix shows its need [own]. */
const HELD_BACK = 0.1
/** How far (dry + water)/yield may lie from the stated fresh density [own]. */
const DENSITY_TOLERANCE = 0.03

/** The fifth station: how much of what, in how many batches, for how much money. Null without a mix or mixer row. */
export function planMixStation(
  piece: Piece,
  { figures: { volumeLitres, showFaceAreaM2 } }: PieceStation,
  stock: Pick<Stock, 'mixes' | 'recipes' | 'mixers' | 'doses'>,
  /** Fibre, and the face coat that is mixed by itself without it. */
  inside: {
    readonly fibreKgPerM3: number
    readonly coats: { readonly faceLitres: number } | null
  } | null = null,
  /** Whether steel, wire or another metal lies in it. */
  metal = false,
  /** What its mould asks of how it runs; null where there is no mould yet. */
  asks: Asks | null = null,
): { station: MixStation | null; findings: Finding[] } {
  const { findings, raise } = findingList<MixFindings>('mix', piece.id, 'choice', 'mix')
  const mix = stock.mixes.find((m) => m.id === piece.mix.mix)
  const mixer = stock.mixers.find((m) => m.id === piece.mix.mixer)
  if (!mix) raise('mix-missing', 'stop', { row: piece.mix.mix })
  if (!mixer) raise('mixer-missing', 'stop', { row: piece.mix.mixer })
  if (!mix || !mixer) return { station: null, findings }

  const coats = inside?.coats ?? null
  const wastePercent = piece.mix.wastePercent ?? defaultWaste(volumeLitres)
  const needed = volumeLitres * (1 + wastePercent / 100)
  const bagsExact = needed / mix.yieldLitres
  // What is measured out by parts comes in no bags.
  const recipe = stock.recipes.find((r) => r.id === mix.id) ?? null
  const portion = recipe
    ? 'weighed'
    : (piece.mix.portion ?? (bagsExact < 1 - 1e-9 && !coats ? 'weighed' : 'bags'))
  const weighed = portion === 'weighed'
  // A face coat is a batch of its own: each of both is rounded up to half bags.
  const halves = (litres: number) =>
    weighed ? litres / mix.yieldLitres : Math.ceil(litres / mix.yieldLitres / BAG_STEP - 1e-9) * BAG_STEP
  const faceLitres = coats ? coats.faceLitres * (1 + wastePercent / 100) : 0
  const [faceBags, backBags] = coats ? [halves(faceLitres), halves(needed - faceLitres)] : [0, 0]
  const bags = coats ? Math.ceil(faceBags + backBags - 1e-9) : Math.max(1, Math.ceil(bagsExact - 1e-9))
  const mixedBags = coats ? faceBags + backBags : weighed ? bagsExact : bags
  const water = mix.waterLitres[piece.mix.water]
  const perBatch = Math.floor(mixer.litres / mix.yieldLitres / BAG_STEP + 1e-9) * BAG_STEP
  if (perBatch === 0 && !weighed)
    raise(
      'mixer-too-small',
      'warn',
      { mixer: mixer.name, mixerLitres: mixer.litres, yieldLitres: mix.yieldLitres },
      smallMixer(piece, mix, stock),
    )
  const density = (mix.bagKg + mix.waterLitres.medium) / (mix.yieldLitres / 1000)
  if (Math.abs(density / mix.freshKgPerM3 - 1) > DENSITY_TOLERANCE)
    raise('yield-doubtful', 'note', { mix: mix.name, byBagKgPerM3: density, statedKgPerM3: mix.freshKgPerM3 })
  if (piece.mix.water === 'limit')
    raise('water-at-limit', 'note', { f28Mpa: mix.f28.limit, mediumMpa: mix.f28.medium })
  const jobBags = Math.ceil((coats ? faceBags + backBags : bagsExact) * piece.quantity - 1e-9)
  const split = (of: number, kgPerM3: number) =>
    weighed
      ? equalBatches(of, mixer.litres / mix.yieldLitres, mix, water, kgPerM3)
      : splitBatches(of, perBatch || BAG_STEP, mix, water, kgPerM3)
  const { dosed, missing } = dosesOf(piece, stock)
  const parts = coats
    ? [
        ...split(faceBags, 0).map((b) => ({ ...b, coat: 'face' as const })),
        ...split(backBags, inside?.fibreKgPerM3 ?? 0).map((b) => ({ ...b, coat: 'back' as const })),
      ].map((b, i) => ({ ...b, number: i + 1 }))
    : split(mixedBags, inside?.fibreKgPerM3 ?? 0)
  const batches = parts.map(
    (b): Batch => ({
      ...b,
      doses: doseParts(dosed, b.dryKg, mix),
      ingredients: recipe ? ingredientsIn(recipe, b.dryKg) : [],
    }),
  )
  for (const f of doseFindings(piece, dosed, missing, batches, metal))
    raise(f.code as keyof MixFindings, f.level, f.facts as never, f.remedies)
  if (asks)
    for (const f of consistencyFindings(piece, mix, dosed, asks, stock.doses))
      raise(f.code as keyof MixFindings, f.level, f.facts as never, f.remedies)
  const band = bandOf(piece.mix, mix, dosed)
  const doses = doseParts(dosed, mixedBags * mix.bagKg, mix)
  // What has no price is not added as nothing.
  const dosesCost = dosed.some((d) => d.row.price === null)
    ? null
    : doses.reduce((sum, d, i) => sum + d.amountKg * dosed[i]!.row.price!, 0)
  const costOf = (bagsPaid: number, share: number): number | null =>
    mix.price === null || dosesCost === null ? null : bagsPaid * mix.price + dosesCost * share
  const figures: MixFigures = {
    mixName: mix.name,
    volumeLitres,
    wastePercent,
    wasteFrom: piece.mix.wastePercent === null ? 'size' : 'choice',
    neededLitres: needed,
    bagsExact,
    portion,
    bags,
    mixedBags,
    leftKg: recipe ? 0 : (bags - mixedBags) * mix.bagKg,
    bagsPerJob: Math.max(jobBags, 1),
    spareLitres: mixedBags * mix.yieldLitres - needed,
    waterPerBagLitres: water,
    waterLeastPerBagLitres: mix.waterLitres.stiff,
    waterMostPerBagLitres: mix.waterLitres.limit,
    waterLitres: batches.reduce((sum, b) => sum + b.waterLitres, 0),
    fibreKg: batches.reduce((sum, b) => sum + b.fibreKg, 0),
    dryKg: mixedBags * mix.bagKg,
    doses,
    slurry: coats ? null : slurryOf(piece.mix.slurryMm, showFaceAreaM2),
    recipe: recipe && {
      vesselLitres: recipe.vesselLitres,
      ingredients: ingredientsIn(recipe, mixedBags * mix.bagKg),
    },
    setShare: setShare(dosed),
    band,
    spread: SPREAD[band],
    f28Mpa: mix.f28[piece.mix.water],
    cementKg: (mixedBags * mix.bagKg * mix.cementPercent) / 100,
    densityCheckKgPerM3: density,
    mixer: mixer.name,
    bagsPerBatch: weighed ? mixer.litres / mix.yieldLitres : perBatch || BAG_STEP,
    batches,
    mixMinutes: batches.length * mixer.mixMinutes,
    costPerCast: costOf(weighed ? mixedBags : bags, 1),
    costPerJob: costOf(Math.max(jobBags, 1), piece.quantity),
  }
  return {
    station: {
      figures,
      findings,
      operations: mixBatches(batches, mixer, weighed, recipe?.vesselLitres ?? 0),
    },
    findings,
  }
}

/** Each batch is mixed by itself, before the concrete already placed stops working. */
const mixBatches = (
  batches: readonly Batch[],
  mixer: Mixer,
  weighed: boolean,
  vesselLitres: number,
): Operation[] =>
  batches.map(({ number, bags, dryKg, waterLitres, heldBackLitres, fibreKg, coat, doses, ingredients }) =>
    operation({
      ...act('mix-batch', {
        number,
        batches: batches.length,
        bags,
        weighedKg: weighed ? dryKg : 0,
        waterLitres,
        heldBackLitres,
        fibreKg,
        doses: doses.map(({ name, amountKg }) => ({ name, amountKg })),
        parts: ingredients.map(({ kind, kg, litres }) => ({
          kind,
          kg,
          litres,
          vessels: litres / vesselLitres,
        })),
        coat,
      }),
      id: `mix/${number}`,
      station: 'mix',
      per: 'cast',
      about: [{ kind: 'batch', id: String(number) }],
      minutes: mixer.mixMinutes,
    }),
  )

/** A mixer that takes not even half a bag: what is weighed out fits any; or a larger one. */
function smallMixer(piece: Piece, mix: Mix, stock: Pick<Stock, 'mixers'>): Finding['remedies'] {
  const larger = stock.mixers
    .filter((m) => m.litres >= mix.yieldLitres)
    .sort((a, b) => a.litres - b.litres)[0]
  return [
    {
      code: 'weighed',
      facts: {},
      changes: [{ type: 'mixChosen', pieceId: piece.id, patch: { portion: 'weighed' } }],
    },
    ...(larger
      ? [
          {
            code: 'mixer-too-small',
            facts: { mixer: larger.name },
            changes: [{ type: 'mixChosen' as const, pieceId: piece.id, patch: { mixer: larger.id } }],
          },
        ]
      : []),
  ]
}

/** Even batches in whole or half bags, none above what the mixer takes; they add up to the bags opened. */
export function splitBatches(
  bags: number,
  most: number,
  mix: Mix,
  waterPerBag: number,
  fibreKgPerM3 = 0,
): Batch[] {
  const count = Math.ceil(bags / most - 1e-9)
  const steps = Math.round(bags / BAG_STEP)
  return Array.from({ length: count }, (_, i) =>
    batchOf(
      i + 1,
      (Math.floor(((i + 1) * steps) / count) - Math.floor((i * steps) / count)) * BAG_STEP,
      mix,
      waterPerBag,
      fibreKgPerM3,
    ),
  )
}

/** Equal batches, so that colour does not change from one to the next, none above what the mixer takes. */
export function equalBatches(
  bags: number,
  most: number,
  mix: Mix,
  waterPerBag: number,
  fibreKgPerM3 = 0,
): Batch[] {
  const count = Math.max(1, Math.ceil(bags / most - 1e-9))
  return Array.from({ length: count }, (_, i) => batchOf(i + 1, bags / count, mix, waterPerBag, fibreKgPerM3))
}

/** So much of a bag as one batch: all that goes in is scaled as the bag is. */
const batchOf = (
  number: number,
  bags: number,
  mix: Mix,
  waterPerBag: number,
  fibreKgPerM3: number,
): Batch => ({
  number,
  bags,
  litres: bags * mix.yieldLitres,
  dryKg: bags * mix.bagKg,
  waterLitres: bags * waterPerBag,
  heldBackLitres: bags * waterPerBag * HELD_BACK,
  fibreKg: (bags * mix.yieldLitres * fibreKgPerM3) / 1000,
  doses: [],
  ingredients: [],
  coat: 'all',
})
