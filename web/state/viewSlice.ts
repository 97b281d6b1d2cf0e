import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import type { Point } from '../../core/geometry/index.ts'

export type Theme = 'day' | 'night'
export type SelectionKind =
  | 'opening'
  | 'side'
  | 'corner'
  | 'drainers'
  | 'panels'
  | 'lettering'
  | 'inserts'
  | 'separators'
  | 'sideHoles'
  | 'basin'
export type Lens = 'inside' | 'thickness' | 'handling'
/** What of a mould's release is looked at. */
export type ReleaseLens = 'film' | 'faces' | 'draft'
/** From where its thickness is looked at; null the usual way of the piece. */
export type ThickWay = 'down' | 'front' | 'cut' | 'solid' | null
export type Selection = { readonly kind: SelectionKind; readonly id: string } | null

/** What is looked at; none of it is part of the job. */
export type ViewState = {
  readonly theme: Theme
  readonly attitude: 'poured' | 'placed'
  /** Part, face or opening under the pointer, lit in every view: `strip/front`, `opening/basin`. */
  readonly lit: string | null
  readonly selection: Selection
  /** The section line in the plan of the attitude shown; null follows the largest opening. */
  readonly line: { readonly from: Point; readonly to: Point } | null
  readonly apart: boolean
  /** What of a piece's steel is looked at. */
  readonly lens: Lens
  /** How thick it is, looked at so; in a cut through the thin place of this number, from 0. */
  readonly thick: { readonly way: ThickWay; readonly place: number }
  readonly releaseLens: ReleaseLens
  /** The moment of the pour day that is looked at, minutes from the first water; null where none is. */
  readonly moment: number | null
  readonly shortcuts: boolean
  readonly printed: number
  /** Where in the line one was last, so that other pages lead back there. */
  readonly place: { readonly pieceId: string; readonly station: string } | null
}

const initialState: ViewState = {
  theme: 'day',
  attitude: 'poured',
  lit: null,
  selection: null,
  line: null,
  apart: false,
  lens: 'inside',
  thick: { way: null, place: 0 },
  releaseLens: 'film',
  moment: null,
  shortcuts: true,
  printed: 0,
  place: null,
}

export const viewSlice = createSlice({
  name: 'view',
  initialState: initialState as ViewState,
  reducers: {
    themeTurned: (state) => ({
      ...state,
      theme: state.theme === 'day' ? ('night' as const) : ('day' as const),
    }),
    themeRead: (state, { payload }: PayloadAction<Theme>) => ({ ...state, theme: payload }),
    turnedOver: (state) => ({
      ...state,
      attitude: state.attitude === 'poured' ? ('placed' as const) : ('poured' as const),
      line: null,
    }),
    attitudeShown: (state, { payload }: PayloadAction<ViewState['attitude']>) => ({
      ...state,
      attitude: payload,
      line: state.attitude === payload ? state.line : null,
    }),
    pointedAt: (state, { payload }: PayloadAction<string | null>) =>
      state.lit === payload ? state : { ...state, lit: payload },
    selected: (state, { payload }: PayloadAction<Selection>) => ({ ...state, selection: payload }),
    lineDragged: (state, { payload }: PayloadAction<ViewState['line']>) => ({ ...state, line: payload }),
    thickTurned: (state, { payload }: PayloadAction<ThickWay>) => ({
      ...state,
      thick: { ...state.thick, way: payload },
    }),
    thinPlaceCut: (state, { payload }: PayloadAction<number>) => ({
      ...state,
      lens: 'thickness' as const,
      thick: { way: 'cut' as const, place: payload },
    }),
    lensTurned: (state, { payload }: PayloadAction<Lens>) => ({ ...state, lens: payload }),
    releaseLensTurned: (state, { payload }: PayloadAction<ReleaseLens>) => ({
      ...state,
      releaseLens: payload,
    }),
    momentShown: (state, { payload }: PayloadAction<number | null>) => ({ ...state, moment: payload }),
    partsMoved: (state) => ({ ...state, apart: !state.apart }),
    pieceShown: (state) => ({ ...state, selection: null, line: null, lit: null }),
    placeTaken: (state, { payload }: PayloadAction<NonNullable<ViewState['place']>>) => ({
      ...state,
      place: payload,
    }),
    shortcutsSwitched: (state) => ({ ...state, shortcuts: !state.shortcuts }),
    sheetPrinted: (state) => ({ ...state, printed: state.printed + 1 }),
  },
})

export const {
  lensTurned,
  releaseLensTurned,
  momentShown,
  thickTurned,
  thinPlaceCut,
  themeTurned,
  themeRead,
  turnedOver,
  attitudeShown,
  pointedAt,
  selected,
  lineDragged,
  partsMoved,
  pieceShown,
  placeTaken,
  shortcutsSwitched,
  sheetPrinted,
} = viewSlice.actions
