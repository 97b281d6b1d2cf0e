import type { NamedMesh, Placement, Point, Region, Vector } from '../../core/geometry/index.ts'
import type { HoldAnswer, HoldWhat } from '../../core/hold.ts'
import type { Change, Job, Run, StationName } from '../../core/job/index.ts'
import type { PartRole } from '../../core/mould/index.ts'
import type { PiecePlan } from '../../core/plan.ts'
import type { SeamSchool, SplitRun } from '../../core/runs/index.ts'
import type { Page, SectionDrawing } from '../../core/sheets/index.ts'
import type { ShoppingRow } from '../../core/shopping.ts'

/** A part to draw, in the frame of the pour. */
export type PartMesh = {
  readonly id: string
  readonly role: PartRole | 'piece' | 'insert'
  /** The opening that a part of the mould fills. */
  readonly openingId: string | null
  readonly mesh: NamedMesh
  /** The way a mould part leaves; null for what is cast. */
  readonly pull: Vector | null
  /** What is seen of it from above, where its recipe does not tell; else null. */
  readonly plan: Region | null
  /** Edges to draw, pairs of points. */
  readonly lines: Float32Array
}

export type Scene = {
  readonly parts: readonly PartMesh[]
  /** From as placed to the frame of the pour, and the box there. */
  readonly toPoured: Placement
  readonly size: readonly [number, number, number]
  /** Edges of the piece seen from above, x, y, x, y, in each attitude. */
  readonly seen: { readonly poured: Float32Array; readonly placed: Float32Array }
  /** How full it is at even heights from its lowest to its highest in the pour, shares. */
  readonly levels: Float64Array
  /** Centre of gravity as placed. */
  readonly centre: readonly [number, number, number]
}

export type Request =
  | PagesRequest
  | HoldRequest
  | RunRequest
  | {
      readonly kind: 'plan'
      readonly runId: number
      readonly jobRevision: number
      readonly job: Job
      readonly pieceId: string
      /** Figures from exact sums, or the solid with its mesh. */
      readonly want: 'figures' | 'solid'
      /** While something is dragged, solids wait for the hand to rest. */
      readonly preview: boolean
    }
  | {
      readonly kind: 'section'
      readonly runId: number
      readonly job: Job
      readonly pieceId: string
      readonly attitude: 'poured' | 'placed'
      readonly from: Point
      readonly to: Point
    }
  | { readonly kind: 'remedies'; readonly runId: number; readonly job: Job; readonly pieceId: string }
  | ShoppingRequest
  | SheetRequest

/** A run of pieces: split it, propose its seams, or make its pieces. */
export type RunRequest = {
  readonly kind: 'run'
  readonly runId: number
  readonly job: Job
  readonly run: Run
  readonly ask:
    | { readonly kind: 'split' }
    | {
        readonly kind: 'seams'
        readonly school: SeamSchool
        /** The longest piece that the way in takes, mm; null where it takes any. */
        readonly throughMm: number | null
      }
    | {
        readonly kind: 'pieces'
        readonly ids: readonly string[]
        readonly start: string
        readonly zone: string
      }
}
export type RunAnswer =
  | { readonly kind: 'split'; readonly split: SplitRun }
  | { readonly kind: 'seams'; readonly seams: readonly { readonly leg: number; readonly at: number }[] }
  | { readonly kind: 'pieces'; readonly changes: readonly Change[] }
export type RunReply = { readonly kind: 'run'; readonly runId: number; readonly answer: RunAnswer }

/** All that the job buys: answered as its pieces are planned, one after another. */
export type ShoppingRequest = { readonly kind: 'shopping'; readonly runId: number; readonly job: Job }
export type ShoppingReply = {
  readonly kind: 'shopping'
  readonly runId: number
  readonly plannedCount: number
  readonly pieceCount: number
  /** Pieces that cannot be planned, by name. */
  readonly without: readonly string[]
  /** Null until all are planned. */
  readonly rows: readonly ShoppingRow[] | null
}

export type HoldRequest = {
  readonly kind: 'hold'
  readonly runId: number
  readonly job: Job
  readonly pieceId: string
  readonly dimension: string
  readonly what: HoldWhat
  readonly targets: readonly number[]
  readonly min: number
  readonly max: number
}
export type HoldReply = {
  readonly kind: 'hold'
  readonly runId: number
  /** Those found so far, in the order asked. */
  readonly answers: readonly HoldAnswer[]
  readonly done: boolean
}

/** Paper is drawn from the plan that the page shows: it is not worked out again. */
type PaperOf = {
  readonly runId: number
  readonly job: Job
  readonly pieceId: string
  readonly plan: PiecePlan
}
export type PagesRequest = PaperOf & { readonly kind: 'pages' }
export type SheetRequest = PaperOf & {
  readonly kind: 'sheet'
  readonly fonts: { readonly regular: string; readonly bold: string }
}
export type PagesReply = {
  readonly kind: 'pages'
  readonly runId: number
  readonly pages: readonly Page[] | null
  readonly why: string | null
}

export type SheetReply = {
  readonly kind: 'sheet'
  readonly runId: number
  readonly pdf: Uint8Array | null
  readonly why: string | null
}

/** A long cut list is being laid out: how far the search is. */
export type LayoutReply = {
  readonly kind: 'layout'
  readonly runId: number
  readonly parts: number
  readonly share: number
}

/** How far the look for the thickness of a fine mesh is. */
export type WayOutReply = { readonly kind: 'way-out'; readonly runId: number; readonly share: number }
export type ThicknessReply = { readonly kind: 'thickness'; readonly runId: number; readonly share: number }

/** A request is begun, or answered. */
export type BusyReply = { readonly kind: 'busy'; readonly runId: number; readonly on: boolean }

export type Reply =
  | BusyReply
  | LayoutReply
  | ThicknessReply
  | WayOutReply
  | PagesReply
  | HoldReply
  | ShoppingReply
  | RunReply
  | {
      readonly kind: 'plan'
      readonly runId: number
      readonly jobRevision: number
      readonly pieceId: string
      readonly stage: 'figures' | 'solid'
      readonly plan: PiecePlan
    }
  | { readonly kind: 'scene'; readonly runId: number; readonly pieceId: string; readonly scene: Scene | null }
  | { readonly kind: 'section'; readonly runId: number; readonly drawing: SectionDrawing | null }
  | { readonly kind: 'remedies'; readonly runId: number; readonly plan: PiecePlan }
  | SheetReply
  | {
      readonly kind: 'failed'
      readonly runId: number
      readonly station: StationName | null
      readonly message: string
    }
