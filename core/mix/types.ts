import type { Finding } from '../job/index.ts'
import type { Dose, Ingredient } from '../stock/index.ts'
import type { Operation } from '../work/index.ts'
import type { Band } from './consistency.ts'
import type { Slurry } from './slurry.ts'

/** So much of a dose in a batch, or in all of them. */
export type DosePart = {
  readonly doseId: string
  readonly name: string
  readonly kind: Dose['kind']
  /** Of the cement's mass. */
  readonly cementPercent: number
  readonly amountKg: number
}

export type Batch = {
  readonly number: number
  /** What goes in of bags: parts of one too, where it is weighed out. */
  readonly bags: number
  readonly litres: number
  readonly dryKg: number
  readonly waterLitres: number
  /** Water held back at first and added in small steps. */
  readonly heldBackLitres: number
  readonly fibreKg: number
  /** Pigment and admixtures, in the order in which they were chosen. */
  readonly doses: readonly DosePart[]
  /** Of a recipe by parts: what goes in beside water and doses; none of a bagged mix. */
  readonly ingredients: readonly Ingredient[]
  /** Of glass-fibre concrete in coats: what it is for; `all` of any other. */
  readonly coat: 'all' | 'face' | 'back'
}

export type MixFigures = {
  readonly mixName: string
  readonly volumeLitres: number
  readonly wastePercent: number
  readonly wasteFrom: 'size' | 'choice'
  readonly neededLitres: number
  readonly bagsExact: number
  /** Whole and half bags, or weighed out in equal batches of what is needed. */
  readonly portion: 'bags' | 'weighed'
  /** Opened. */
  readonly bags: number
  /** Mixed: less than is opened where it is weighed out. */
  readonly mixedBags: number
  /** Left in the bag that is opened last, for the shelf. */
  readonly leftKg: number
  readonly bagsPerJob: number
  /** Mixed beyond what is needed. */
  readonly spareLitres: number
  readonly waterPerBagLitres: number
  readonly waterLeastPerBagLitres: number
  readonly waterMostPerBagLitres: number
  readonly waterLitres: number
  readonly dryKg: number
  /** With all that is mixed, waste too. */
  readonly fibreKg: number
  readonly doses: readonly DosePart[]
  /** Brushed on the show face first; null where none is. */
  readonly slurry: Slurry | null
  /** Of a recipe by parts: all of each, and the vessel parts are measured in; null of a bagged mix. */
  readonly recipe: { readonly vesselLitres: number; readonly ingredients: readonly Ingredient[] } | null
  /** Times as long until it sets, by all that is dosed. */
  readonly setShare: number
  /** How it stands or runs, and how wide a cup of it lies. */
  readonly band: Band
  readonly spread: { readonly fromMm: number; readonly toMm: number | null }
  readonly f28Mpa: number
  readonly cementKg: number
  readonly densityCheckKgPerM3: number
  readonly mixer: string
  readonly bagsPerBatch: number
  readonly batches: readonly Batch[]
  readonly mixMinutes: number
  readonly costPerCast: number | null
  readonly costPerJob: number | null
}

export type MixStation = {
  readonly figures: MixFigures
  readonly findings: readonly Finding[]
  readonly operations: readonly Operation[]
}
