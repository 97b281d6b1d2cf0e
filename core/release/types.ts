import type { Finding } from '../job/index.ts'
import type { MouldFace } from '../mould/index.ts'
import type { Agent } from '../stock/index.ts'
import type { Operation } from '../work/index.ts'
import type { AirHoles } from './air/airHoles.ts'
import type { AirFigures } from './air/planAir.ts'
import type { DraftMap, DraftRow, PartMove } from './draft/planDraft.ts'
import type { FaceLife } from './faceLife.ts'
import type { MakingRow } from './making.ts'
import type { PullFigures } from './pull/pullFigures.ts'
import type { WayUp } from './waysUp.ts'

/** What goes on one face of the mould, or why nothing does. */
export type AgentRow = {
  readonly face: MouldFace['face']
  readonly surface: MouldFace['surface']
  readonly material: string
  readonly partIds: readonly string[]
  readonly areaM2: number
  readonly use: 'seal' | 'release' | 'film' | 'none'
  readonly agent: string
  readonly agentKind: Agent['kind']
  readonly coats: number
  readonly waitMinutes: number
  readonly amount: number
  /** Null where nothing is put on. */
  readonly unit: Agent['unit'] | null
  readonly cost: number | null
  /** Whether what goes on it was chosen for this face alone. */
  readonly own: boolean
  /** Why nothing is put on it, where that was chosen. */
  readonly leftOut: string | null
}

export type ReleaseFigures = {
  readonly agents: readonly AgentRow[]
  /** What goes on patterns and cured rubber while the mould is made. */
  readonly making: readonly MakingRow[]
  /** How many casts each face serves. */
  readonly lives: readonly FaceLife[]
  /** Rigid parts that cannot leave, of those whose way out was looked at. */
  readonly partsTrapped: number
  readonly partsExamined: number
  /** Rigid parts whose way out was not looked at. */
  readonly partsUnexamined: number
  /** How the faces of each part stand to the way it leaves by; none until the solids are there. */
  readonly drafts: readonly DraftRow[]
  /** How each part moves as it leaves, in the order in which they come off; none until the solids are there. */
  readonly moves: readonly PartMove[]
  /** How a rigid mould round it is best parted, of methods that part it; null of others, and until the solids are there. */
  readonly pulls: PullFigures | null
  /** Where air stays while it is filled. */
  readonly air: AirFigures
  /** Where air must come in for a part to let go, beside what its method has; none until the solids are there. */
  readonly airHoles: readonly AirHoles[]
  /** What it would hold, lock and leave open with each of its faces down; none until the solids are there. */
  readonly waysUp: readonly WayUp[]
  readonly waitMinutes: number
  readonly faceAreaM2: number
  readonly suctionN: number
  /** What a closed face holds the cast by when it is first moved. */
  readonly suctionKPa: number
  /** All that is moved at the heaviest turn, kg; null where nothing is turned over. */
  readonly turnKg: number | null
  readonly turns: number
  readonly leftOut: string | null
}

export type ReleaseStation = {
  readonly figures: ReleaseFigures
  readonly findings: readonly Finding[]
  /** Sealing, releasing, and taking the mould off, in an order that can be done. */
  readonly operations: readonly Operation[]
  /** What `drafts` is read from, to be drawn; null until the solids are there. */
  readonly draft: DraftMap | null
}
