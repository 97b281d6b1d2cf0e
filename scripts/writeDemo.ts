/** Writes demo/kestrel-rise.hollow.json from the pieces below: sizes and records are made up for it. */
import fs from 'node:fs'
import {
  emptyJob,
  type Job,
  newOpening,
  newSlab,
  type PourRecord,
  plainSide,
  type SlabPiece,
  writeJob,
} from '../core/job/index.ts'
import { startingStock } from '../core/stock/index.ts'

const stock = startingStock()
const bead = { kind: 'bead', size: 6 } as const

const washTop: SlabPiece = {
  ...newSlab(
    {
      id: 'wash-top',
      name: 'Wash top',
      length: 1180,
      width: 520,
      thickness: 45,
      start: '2026-11-28T09:00',
      zone: 'UTC',
    },
    stock,
  ),
  exposure: 'kitchen',
  plannedCasts: 2,
  outline: { kind: 'rectangle', length: 1180, width: 520, radii: [0, 30, 0, 0] },
  sides: {
    front: plainSide({ top: bead }),
    right: plainSide({ top: bead }),
    back: plainSide(),
    left: plainSide({ top: bead }),
  },
  openings: [
    {
      ...newOpening('basin', 'basin', { kind: 'rectangle', length: 420, width: 300, radius: 45 }),
      fixture: { shape: { kind: 'rectangle', length: 410, width: 290, radius: 40 }, clearance: 5 },
      u: { rule: 'fromEnd', distance: 200 },
      v: { rule: 'fromStart', distance: 110 },
    },
    {
      ...newOpening('tap', 'tap hole', { kind: 'round', diameter: 35 }),
      u: { rule: 'centredOn', opening: 'basin', offset: 0 },
      v: { rule: 'beyond', opening: 'basin', gap: 21 },
      pattern: { kind: 'row', count: 2, pitch: 120, along: 'u' },
    },
    {
      ...newOpening('waste', 'cable pass', { kind: 'round', diameter: 60 }),
      u: { rule: 'fromStart', distance: 130 },
      v: { rule: 'centred', offset: 0 },
    },
  ],
}
washTop.mould.runPast = 40
washTop.pour.temperature = { kind: 'constant', degC: 14 }

const tread: SlabPiece = {
  ...newSlab(
    {
      id: 'stair-tread',
      name: 'Stair tread',
      length: 820,
      width: 290,
      thickness: 55,
      start: '2026-11-30T08:30',
      zone: 'UTC',
    },
    stock,
  ),
  exposure: 'outdoors',
  quantity: 6,
  mouldCount: 2,
  plannedCasts: 6,
  sides: {
    front: plainSide({ top: { kind: 'chamfer', size: 8 } }),
    right: plainSide({ top: bead }),
    back: plainSide(),
    left: plainSide({ top: bead }),
  },
}
tread.mould.school = 'stand'
tread.mould.baseMargin = 20
tread.mould.baseBoard = 'film-ply-18'
tread.mould.sideBoard = 'film-ply-18'
tread.steel.mesh = 'mesh-50-galv'
tread.pour.temperature = {
  kind: 'list',
  points: [
    { hour: 0, degC: 9 },
    { hour: 5, degC: 14 },
    { hour: 12, degC: 8 },
    { hour: 24, degC: 9 },
    { hour: 30, degC: 13 },
  ],
}
tread.finish = { sealer: 'penetrating-oil', sanding: 'light' }

const record = (
  id: string,
  on: string,
  bags: number,
  water: number,
  temperature: number,
  strip: number,
  rest: Partial<PourRecord>,
): PourRecord => ({
  id,
  pieceId: 'stair-tread',
  pieceName: 'Stair tread',
  on,
  mixName: '25 kg structural mix',
  planned: {
    catalogueVersion: 1,
    volumeLitres: 13.06,
    bags: 2,
    waterLitresPerBag: 3,
    concreteKg: 30,
    stripHours: 34,
    temperatureDegC: 12,
  },
  actual: {
    bags,
    waterLitresPerBag: water,
    temperatureDegC: temperature,
    vibratedMinutes: 4,
    stripHours: strip,
    weightKg: 30.6,
  },
  faults: ['none'],
  nextTime: '',
  ...rest,
})

const job: Job = {
  ...emptyJob('kestrel-rise', 'Kestrel Rise', stock),
  pieces: [washTop, tread],
  pours: [
    record('pour-1', '2026-11-09', 1.3, 3.2, 11, 30, {
      faults: ['bug-holes', 'crumbled-arris'],
      nextTime: 'Leave the sides on a night longer; less wax along the front.',
    }),
    record('pour-2', '2026-11-13', 1.25, 3, 12, 44, {
      faults: ['bug-holes'],
      nextTime: 'Vibrate the corners first.',
    }),
    record('pour-3', '2026-11-18', 1.3, 3, 10, 46, { nextTime: 'Good. Keep 3.0 L a bag.' }),
  ],
}
fs.writeFileSync(new URL('../demo/kestrel-rise.hollow.json', import.meta.url), writeJob(job))
