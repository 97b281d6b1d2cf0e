import type { Loop, Placement, SolidRecipe, Vector } from '../geometry/index.ts'
import type { BoxChoice, Finding, MouldChoice, SideId } from '../job/index.ts'
import type { Rubber } from '../stock/index.ts'
import type { Act, Attitude, FaceWord, Operation } from '../work/index.ts'
import type { StripEndKind } from './boardBox/strips.ts'
import type { Bought, Fixing, ItemUnit, SettingOut } from './itemWords.ts'

export type PartRole =
  | 'tube'
  | 'layer'
  | 'shell'
  | 'jacket'
  | 'packing'
  | 'separator'
  | 'liner'
  | 'form'
  | 'former'
  | 'cleat'
  | 'core'
  | 'rubber'
  | 'base'
  | 'strip'
  | 'skin'
  | 'rib'
  | 'corner'
  | 'knockout'
  | 'wrap'
  | 'sealant'
  | 'chamfer'

/** What a part is there for, and which piece of it it is. Whoever wants to know asks here, never a name or an id. */
export type PartSource =
  | { readonly of: 'cast' }
  | { readonly of: 'side'; readonly side: SideId }
  | { readonly of: 'corner'; readonly corner: string; readonly is: 'block' | 'post' }
  | {
      readonly of: 'opening'
      readonly openingId: string
      /** The one of a row or circle: the opening as placed. */
      readonly key: string
      readonly is:
        | 'boards'
        | 'foam'
        | 'tube'
        | 'disc'
        | 'plug'
        | 'wedge'
        | 'first half'
        | 'second half'
        | 'wrap'
        | 'rim'
    }
  | { readonly of: 'outline' }
  | { readonly of: 'feature'; readonly featureId: string; readonly n: number; readonly count: number }
  | { readonly of: 'ground'; readonly n: number; readonly count: number }
  | { readonly of: 'apron'; readonly side: SideId | null }
  | { readonly of: 'basin'; readonly is: 'core' | 'waste' | 'form' | 'bridge' }
  | { readonly of: 'backing' }
  | {
      readonly of: 'shell'
      readonly is: 'part' | 'floor' | 'lower' | 'upper' | 'near' | 'far'
      readonly n: number
    }
  | { readonly of: 'profile'; readonly n: number }
  | { readonly of: 'layer'; readonly n: number; readonly tile: number }
  | { readonly of: 'separator'; readonly separatorId: string }
  | { readonly of: 'plank'; readonly n: number; readonly is: 'whole' | 'first' | 'second' | 'wedge' }
  | { readonly of: 'batten'; readonly plank: number; readonly n: number }
  | { readonly of: 'hole'; readonly n: number; readonly count: number }

/** One part of the mould as it stands in the pour. */
export type MouldPart = {
  /** Derived from role and source: `strip/front`, `knockout/basin`. */
  readonly id: string
  readonly role: PartRole
  readonly source: PartSource
  readonly name: string
  /** What parts of its sort are called together: `ends`, `centring cleats`. */
  readonly together?: string
  /** Letter for the cut list; only for display. Parts of one row share it; bought stuff has none. */
  readonly label: string
  readonly boardId: string | null
  readonly lengthMm: number
  readonly widthMm: number
  readonly thicknessMm: number
  /** What it is laminated from, from the base up; one layer for a plain board. */
  readonly layers: readonly LaminateLayer[]
  /** The way it leaves, as poured: a unit vector. */
  readonly pull: Vector
  /** Its place among the strips as they come off, from 0; 0 for what is no strip. */
  readonly leaves: number
  /** Parts that lap over it and come off before it. */
  readonly leavesAfter?: readonly string[]
  /** How a strip's two ends are cut; null for what has no ends. */
  readonly bevels: StripBevels | null
  /** What a skin is bent to, or a rib cut to; null for what is flat. */
  readonly bend: { readonly radiusMm: number; readonly angleDeg: number } | null
  readonly recipe: SolidRecipe
  /** How far it is pressed in by a rigid part that is drawn over it, mm; left out of what is rigid itself. */
  readonly givesMm?: number
  /** Of what is glued up from boards on edge: each board's size, and the width they come to. */
  readonly onEdge?: { readonly lengthMm: number; readonly widthMm: number; readonly acrossMm: number }
  /** Of what is cut to a drawn outline: a key that equal ones share, and the saw's tilt along each edge, from the lowest round. */
  readonly drawn?: { readonly key: string; readonly bevelsDeg: readonly number[] }
  /** Its plan where it stands lowest, of a part that leans or is cut from several bodies; null where none is drawn. */
  readonly foot?: Loop | null
  /** Of a part that leans: its plan at the level at which the piece's outline is drawn. */
  readonly atOutline?: Loop
}

/** The plan a part is drawn by; null where it has none. */
export const planOf = (part: Pick<MouldPart, 'recipe' | 'foot' | 'atOutline'>): Loop | null =>
  part.atOutline ?? footOf(part)

/** Its plan where it stands lowest. */
export const footOf = ({ recipe, foot }: Pick<MouldPart, 'recipe' | 'foot'>): Loop | null =>
  foot !== undefined ? foot : recipe.kind === 'prism' ? recipe.outline : null

export type StripBevels = {
  /** The saw's tilt off upright, positive when the outside face is the longer one. */
  readonly startBevelDeg: number
  readonly endBevelDeg: number
  /** Off the square across the face, positive when the upper edge is the longer one; 0 in an upright box. */
  readonly startMitreDeg: number
  readonly endMitreDeg: number
  /** Both long edges off the square: the lean of the strip; 0 in an upright box. */
  readonly edgeDeg: number
  readonly startKind: StripEndKind
  readonly endKind: StripEndKind
  readonly insideLengthMm: number
  /** How far its end stands before the corner of the plan. */
  readonly leadMm: number
}

export type LaminateLayer = { readonly boardId: string; readonly name: string; readonly thicknessMm: number }

/** One pass of the router round the hollow, from the open top down. */
export type RouterStep = {
  /** Of the whole hollow, from 1 at the top. */
  readonly pass: number
  /** Depth of the bit below the top of the block, mm. */
  readonly depthMm: number
  readonly lengthMm: number
  readonly widthMm: number
  readonly areaMm2: number
  /** How far this pass stands in from the one above, as a mean round its edge, mm. */
  readonly inMm: number
}

export type CutRow = {
  readonly label: string
  readonly name: string
  readonly role: PartRole
  readonly boardId: string
  readonly boardName: string
  readonly lengthMm: number
  readonly widthMm: number
  readonly thicknessMm: number
  readonly count: number
  /** How it is shaped after it is cut to size. */
  readonly shape:
    | 'rectangle'
    | 'outline'
    | 'rounded corners'
    | 'disc'
    | 'hollow corner'
    | 'rounded post'
    | 'bent'
    | 'rib'
  readonly radiusMm: number
  /** Bevels of its two ends off the square, the smaller first; null where both are square. */
  readonly bevelsDeg: readonly [number, number] | null
  /** Of the same ends, off the square across the face, positive when the upper edge is longer; null where both are square. */
  readonly mitresDeg: readonly [number, number] | null
  /** Both long edges off the square, as a leaning strip has them; 0 where they are square. */
  readonly edgeDeg: number
  /** Of a drawn part: the tilt along each edge of its outline, from the lowest round; less than 0 where the inside is the longer. */
  readonly outlineBevelsDeg?: readonly number[]
  readonly partIds: readonly string[]
  readonly notes: readonly CutNote[]
}

/** What to know of a cut part beside its sizes; the words are `cutNoteWords`. */
export type CutNote =
  | 'faced-side-in'
  | 'raw-edges'
  | 'raw-end'
  | 'laminate'
  | 'disc'
  | 'outline'
  | 'bent'
  | 'tapered'
  | 'joined'
  | 'wedge'
  | 'drawn'
  | 'on-edge'
  | 'sealed'

export type BoardLayout = {
  readonly boardId: string
  readonly boardName: string
  readonly sheetLengthMm: number
  readonly sheetWidthMm: number
  readonly lowerBoundSheets: number
  /** Whether no layout can use fewer. */
  readonly proven: boolean
  readonly wasteShare: number
  readonly tooLarge: readonly string[]
  readonly sheets: readonly {
    readonly lengthMm: number
    readonly widthMm: number
    /** A piece from the shelf, not a whole board. */
    readonly offcut: boolean
    readonly usedShare: number
    readonly parts: readonly {
      label: string
      xMm: number
      yMm: number
      lengthMm: number
      widthMm: number
      turned: boolean
    }[]
    readonly cuts: readonly {
      order: number
      way: 'crossways' | 'lengthways'
      atMm: number
      fromMm: number
      toMm: number
    }[]
    readonly offcuts: readonly {
      xMm: number
      yMm: number
      lengthMm: number
      widthMm: number
      kept: boolean
    }[]
  }[]
}

export type ScrewRow = {
  readonly where: string
  readonly partId: string
  readonly lengthMm: number
  readonly count: number
  readonly spacingMm: number
  readonly positionsMm: readonly number[]
  /** The part they go into, where that is not the base. */
  readonly intoId?: string
  /** The side they are driven from, and taken out from. */
  readonly from: 'outside' | 'below'
}

/** Braces, and a stiffer board where they do not do on the one it has. */
export type BowCure = {
  readonly spacingMm: number
  readonly rows: 1 | 2
  /** Another board; null is the one it has. */
  readonly boardId: string | null
}

/** How far a side strip bows outward under the fill, worked out as a plate. */
export type BowRow = {
  readonly partId: string
  readonly name: string
  readonly bowMm: number
  /** Where it is largest: along the inside of the strip, and above the base. */
  readonly alongMm: number
  readonly aboveBaseMm: number
  readonly limitMm: number
  /** Braces that hold its top now, from its start. */
  readonly bracesMm: readonly number[]
  /** The bow along its top, evenly spaced from end to end. */
  readonly topMm: readonly number[]
  /** What would keep it within the limit; null when it is, or when nothing here does. */
  readonly cure: BowCure | null
}

/** Something bought for the mould beside boards. */
export type MaterialRow = Bought & {
  readonly amount: number
  readonly unit: ItemUnit
  /** For one mould; null without a price. */
  readonly cost: number | null
  /** Of what is lost with every cast: how many casts the amount is for. */
  readonly forCasts?: number
  /** Whether it stands in the mould as a part. */
  readonly isPart: boolean
}

/** A method that can form the piece, as it compares with the others. */
export type MethodRow = {
  readonly id: MouldChoice['method']
  readonly name: string
  readonly chosen: boolean
  /** Boards by the area they take, and what is bought; null without a price. */
  readonly materialCost: number | null
  readonly buildHours: number
  /** What is lost with each cast, as a foam knockout is. */
  readonly castCost: number
  /** Cleaning and waxing for each cast. */
  readonly castHours: number
  readonly lifeCasts: number
}

/** A face of the mould that concrete meets: of which parts, what it is made of, how much of it. */
export type MouldFace = {
  readonly face: FaceWord
  readonly partIds: readonly string[]
  readonly areaM2: number
  /** As the trade or the stock names it. */
  readonly material: string
  readonly surface: Surface
  /** Where it is sealed before it is fixed: the building operations it comes after and before. */
  readonly sealAfter?: readonly string[]
  readonly sealBefore?: readonly string[]
}

/** What meets the stuff of the mould while it is made, and must let it go: a pattern, a half that has cured, the rubber under its jacket. */
export type MakingFace = {
  readonly making: 'pattern' | 'cured-half' | 'rubber-back'
  /** What is poured or laid up against it. */
  readonly against: Rubber['family'] | 'shell'
  readonly areaM2: number
  /** Whether it lies in clay meanwhile that the rubber may not bear. */
  readonly clay: boolean
  /** Building operations that come before and after its release; before those it is sealed too. */
  readonly after: readonly string[]
  readonly before: readonly string[]
}

/** What a face is to fresh concrete: which decides what goes on it. */
export type Surface =
  | 'faced'
  | 'raw'
  | 'raw edge'
  | 'wrapped'
  | 'card'
  | 'coated'
  | 'soaks'
  | 'smooth'
  | 'printed'
  | 'rubber'
  | 'texture'
  | 'taped foam'
  | 'film'
  | 'bare metal'

/** How parts come off the cast, in one act: what must be off before, and from when the concrete allows it. */
export type Undoing = Act & {
  readonly id: string
  /** Parts that leave by it, and parts it is done to that stay yet. */
  readonly partIds: readonly string[]
  readonly at: readonly string[]
  /** Undoings that come before it: what would block it. */
  readonly after: readonly string[]
  /** Final set, 5 MPa, 8 MPa, 10 MPa; null follows what is before it. */
  readonly from: 'set' | 'sides' | 'sharp' | 'turn' | null
  /** Only while the concrete has not gripped it. */
  readonly whileItMoves: boolean
  /** Whether the piece is turned over by it; on what it lies then. */
  readonly turns: Attitude['lies'] | null
  /** Rigid parts slide along their pull and may be trapped; soft ones bend, peel or are broken out. */
  readonly rigid: boolean
  /** Whether its parts leave as one body, still held together. */
  readonly asOne: boolean
  readonly minutes: number
}

/** A figure that the maker sets out by. */
export type MouldFact = SettingOut & {
  readonly value: number
  readonly unit: 'mm' | 'm' | 'm2' | 'L' | 'kg' | 'N' | 'h' | 'g' | 'deg' | ''
}

/** One part to print, and how it lies on the bed: a turn from the frame of the pour. */
export type PrintRow = {
  readonly partId: string
  /** As it is called among prints, and as its file is named: `part 2`, `floor`. */
  readonly name: string
  readonly grams: number
  readonly filamentM: number
  readonly hours: number
  readonly lies: Placement
}

/** What is bought by the piece to put a mould together. */
export type HardwareRow = Fixing & {
  readonly amount: number
  readonly unit: ItemUnit
}

/** Lengths cut from tubes or strips of one length, for all moulds and casts that are planned. */
export type LengthLayout = {
  readonly name: string
  readonly stockLengthMm: number
  readonly bars: readonly {
    readonly parts: readonly { readonly name: string; readonly lengthMm: number }[]
    readonly restMm: number
  }[]
  readonly lowerBound: number
  readonly proven: boolean
  readonly tooLong: readonly string[]
}

export type SealantRow = {
  readonly where: string
  readonly lengthMm: number
  readonly radiusMm: number
  readonly millilitres: number
}

export type MouldFigures = {
  readonly methodId: MouldChoice['method']
  readonly method: string
  readonly lifeCasts: number
  /** Of a box of boards: how its sides meet its base. */
  readonly school: BoxChoice['school'] | null
  readonly corners: string
  readonly runPastMm: number
  readonly partCount: number
  readonly sheetCount: number
  readonly parts: readonly {
    readonly id: string
    readonly label: string
    readonly role: PartRole
    readonly name: string
    readonly boardId: string | null
    readonly lengthMm: number
    readonly widthMm: number
    readonly thicknessMm: number
    readonly layers: readonly LaminateLayer[]
    readonly bevels: StripBevels | null
    readonly weightKg: number
  }[]
  readonly cutList: readonly CutRow[]
  readonly materials: readonly MaterialRow[]
  readonly alternatives: readonly MaterialRow[]
  readonly layouts: readonly BoardLayout[]
  readonly screws: readonly ScrewRow[]
  readonly screwCount: number
  readonly sealant: {
    readonly rows: readonly SealantRow[]
    readonly totalLengthMm: number
    readonly totalMillilitres: number
    readonly cartridges: number
    readonly cartridgeShare: number
    readonly readyMinutes: number
  }
  readonly tapeLengthMm: number
  readonly glueAreaM2: number
  readonly holdDown: readonly {
    readonly partId: string
    readonly name: string
    readonly holdForceN: number
    /** From below; 0 for what no screw reaches. */
    readonly screws: number
    /** The means chosen, and how much of each would do. */
    readonly by: MouldChoice['holdBy']
    readonly glueMm2: number
    readonly weightKg: number
    /** Held while the mould is made, as a pattern under its rubber is; all else while the concrete is poured. */
    readonly building?: true
  }[]
  /** Turns of strap round a tube, from the foot; none where the fill does not ask for them. */
  readonly straps: { readonly count: number; readonly spacingMm: number }
  readonly bowing: readonly BowRow[]
  /** The table it stands on, where its heights were measured. */
  readonly level: {
    readonly shimsMm: readonly number[]
    readonly alongMm: number
    readonly acrossMm: number
    readonly twistMm: number
    readonly depthErrorMm: number
    readonly extraKg: number
  } | null
  readonly hardware: readonly HardwareRow[]
  readonly lengths: readonly LengthLayout[]
  readonly facts: readonly MouldFact[]
  readonly router: readonly RouterStep[]
  readonly prints: readonly PrintRow[]
  /** What the concrete meets. */
  readonly faces: readonly MouldFace[]
  /** What rubber or a shell is made against; none of what is built of boards. */
  readonly making: readonly MakingFace[]
  /** What the fill is struck off along, or the hole it goes in by. */
  readonly top: MouldTop
  /** What is filled on the slab once that has stiffened. */
  readonly fillLater: 'aprons' | 'upper-form' | null
  /** Whether what is filled later ends above its form, rounded by hand. */
  readonly crownByHand: boolean
  /** Holes by which air leaves, beside the one it is filled by. */
  readonly vents: number
  /** Of the level face that lies open in the pour, from the solid; 0 where none does, null while it is guessed. */
  readonly openFaceM2: number | null
  readonly footPressureKPa: number
  readonly boardCost: number | null
  /** All else that is bought, for every mould. */
  readonly materialCost: number | null
  /** Casts that these moulds are good for, of those planned: what the cost is shared by. */
  readonly plannedCasts: number
  /** How often the usual count of work the sheets and bars were looked for with. */
  readonly layoutEffort: number
  /** Whole sheets as they are bought, and all else that is. */
  readonly costPerCast: number | null
  /** Boards by what is used of them with their waste, and all else that is bought. */
  readonly usedCostPerCast: number | null
  readonly buildHours: number
  /** How long it takes from bare stock to what can be waxed and filled, with its waits. */
  readonly readyMinutes: number
  /** Every method that can form the piece, the chosen one among them. */
  readonly methods: readonly MethodRow[]
  readonly weightKg: number
}

/** How the top of the fill is made: struck off along the sides or a rim, shaped where no face lies there, or closed. */
export type MouldTop = 'sides' | 'rim' | 'bridges' | 'hole'

export type MouldStation = {
  readonly figures: MouldFigures
  readonly findings: readonly Finding[]
  readonly parts: readonly MouldPart[]
  /** What is cut to a line that its recipe does not tell: ribs, layers. */
  readonly outlines: readonly PartOutline[]
  /** From bare stock to what can be waxed and filled. */
  readonly operations: readonly Operation[]
  /** Of these, what comes after the faces are released. */
  readonly afterRelease: readonly string[]
  /** How it comes off the cast. */
  readonly off: readonly Undoing[]
}

export type PartOutline = { readonly name: string; readonly loops: readonly Loop[] }
