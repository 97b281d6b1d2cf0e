import { boardRow } from './boardRow.ts'
import {
  FILAMENTS,
  FOAMS,
  JACKETS,
  LINERS,
  PLUGS,
  PRINTERS,
  RUBBERS,
  SKINS,
  TUBES,
  VESSELS,
} from './mouldRows.ts'
import type { Agent, Bar, Board, Mesh, Mix, Mixer, Sealant, Sealer, Stock } from './schema.ts'
import { HANDBOOK, OWN } from './sources.ts'
import { usStock } from './usCatalogue.ts'

/** Raised whenever a default below changes; a pour record keeps the version it was planned with. */
export const CATALOGUE_VERSION = 1

/** Where no mix is chosen the piece still has a weight, of structural concrete; a finding says that the mix is missing. */
export const USUAL_DENSITY = { freshKgPerM3: 2350, hardenedKgPerM3: 2300 } as const

const board = (
  id: string,
  name: string,
  material: Board['material'],
  thickness: number,
  rest: Partial<Board> = {},
): Board => boardRow(id, name, material, [thickness, 2440, 1220], rest)

const BOARDS: readonly Board[] = [
  board('melamine-18', '18 mm melamine', 'melamine', 18, { price: 46 }),
  board('melamine-16', '16 mm melamine', 'melamine', 16, { length: 2800, width: 2070, price: 58 }),
  board('melamine-12', '12 mm melamine', 'melamine', 12, { price: 34 }),
  board('mdf-9', '9 mm MDF', 'mdf', 9, { densityKgPerM3: 750, elasticity: 2500, price: 22 }),
  board('mdf-6', '6 mm MDF', 'mdf', 6, { densityKgPerM3: 750, elasticity: 2500, price: 16 }),
  board('hardboard-3', '3 mm hardboard', 'hardboard', 3, { densityKgPerM3: 950, elasticity: 4000, price: 9 }),
  board('film-ply-18', '18 mm film-faced ply', 'film-faced-ply', 18, {
    length: 2500,
    width: 1250,
    elasticity: 9500,
    elasticityAcross: 7000,
    screwHold: 400,
    price: 74,
  }),
]

const MIXES: readonly Mix[] = [
  {
    id: 'structural-25',
    name: '25 kg structural mix',
    family: 'structural',
    bagKg: 25,
    yieldLitres: 12,
    waterLitres: { stiff: 2.6, medium: 3, limit: 3.4 },
    f28: { stiff: 30, medium: 24, limit: 20 },
    strength: { kind: 'law', s: 0.38 },
    freshKgPerM3: 2350,
    hardenedKgPerM3: 2300,
    cementPercent: 17,
    initialSet: 240,
    finalSet: 360,
    largestStone: 10,
    leastThickness: { plain: 40, mesh: 38 },
    price: 7.8,
    source: OWN,
  },
  {
    id: 'mortar-25',
    name: '25 kg sand mortar',
    family: 'mortar',
    bagKg: 25,
    yieldLitres: 13.5,
    waterLitres: { stiff: 3.6, medium: 4, limit: 4.4 },
    f28: { stiff: 23, medium: 20, limit: 17 },
    strength: { kind: 'law', s: 0.38 },
    freshKgPerM3: 2150,
    hardenedKgPerM3: 2050,
    cementPercent: 22,
    initialSet: 240,
    finalSet: 360,
    largestStone: 4,
    leastThickness: { plain: 40, mesh: 38 },
    price: 6.2,
    source: OWN,
  },
  {
    id: 'fast-20',
    name: '20 kg fast-setting mortar',
    family: 'fast',
    bagKg: 20,
    yieldLitres: 10.8,
    waterLitres: { stiff: 2.9, medium: 3.2, limit: 3.5 },
    f28: { stiff: 48, medium: 45, limit: 40 },
    strength: {
      kind: 'points',
      points: [
        { hours: 1, mpa: 10 },
        { hours: 3, mpa: 20 },
        { hours: 24, mpa: 28 },
        { hours: 168, mpa: 38 },
        { hours: 672, mpa: 45 },
      ],
    },
    freshKgPerM3: 2100,
    hardenedKgPerM3: 2050,
    cementPercent: 30,
    initialSet: 15,
    finalSet: 35,
    largestStone: 4,
    leastThickness: { plain: 25, mesh: 25 },
    price: 16,
    source: OWN,
  },
  {
    id: 'glass-fibre-20',
    name: '20 kg glass-fibre premix',
    family: 'glass-fibre',
    bagKg: 20,
    yieldLitres: 10.8,
    waterLitres: { stiff: 3, medium: 3.2, limit: 3.6 },
    f28: { stiff: 50, medium: 45, limit: 38 },
    strength: { kind: 'law', s: 0.25 },
    freshKgPerM3: 2150,
    hardenedKgPerM3: 2050,
    cementPercent: 45,
    initialSet: 120,
    finalSet: 240,
    largestStone: 2,
    leastThickness: { plain: 12, mesh: 38 },
    price: 24,
    source: OWN,
  },
]

const MESHES: readonly Mesh[] = [
  {
    id: 'mesh-100',
    name: '100 mm mesh, 4 mm wire',
    spacing: 100,
    wire: 4,
    length: 2400,
    width: 1200,
    finish: 'plain',
    densityKgPerM3: 7850,
    price: 14,
    source: HANDBOOK,
  },
  {
    id: 'mesh-50-galv',
    name: '50 mm galvanised mesh, 2 mm wire',
    spacing: 50,
    wire: 2,
    length: 2000,
    width: 1000,
    finish: 'galvanised',
    densityKgPerM3: 7850,
    price: 11,
    source: HANDBOOK,
  },
]

const bar = (
  id: string,
  name: string,
  material: Bar['material'],
  diameter: number,
  length: number,
  price: number,
): Bar => ({
  id,
  name,
  material,
  diameter,
  length,
  strength: material === 'glass-fibre' ? 900 : 500,
  densityKgPerM3: material === 'glass-fibre' ? 2100 : material === 'stainless' ? 7900 : 7850,
  price,
  source: OWN,
})

const BARS: readonly Bar[] = [
  bar('bar-6', '6 mm bar', 'plain', 6, 3000, 2),
  bar('bar-8', '8 mm ribbed bar', 'plain', 8, 3000, 3.5),
  bar('bar-10', '10 mm ribbed bar', 'plain', 10, 6000, 9),
  bar('bar-12', '12 mm ribbed bar', 'plain', 12, 6000, 13),
  bar('bar-8-galv', '8 mm galvanised bar', 'galvanised', 8, 3000, 6),
  bar('bar-6-stainless', '6 mm stainless bar', 'stainless', 6, 3000, 9),
  bar('bar-6-glass', '6 mm glass-fibre bar', 'glass-fibre', 6, 3000, 4),
]

const MIXERS: readonly Mixer[] = [
  { id: 'tub-25', name: '25 L tub and paddle', litres: 25, mixMinutes: 8, source: OWN },
  { id: 'barrow-40', name: '40 L barrow and hoe', litres: 40, mixMinutes: 8, source: OWN },
  { id: 'bucket-12', name: '12 L bucket and drill', litres: 12, mixMinutes: 5, source: OWN },
  { id: 'drum-80', name: '80 L drum mixer', litres: 80, mixMinutes: 6, source: OWN },
]

const SEALANTS: readonly Sealant[] = [
  {
    id: 'silicone-300',
    name: '300 mL silicone sealant',
    millilitres: 300,
    wastePercent: 15,
    readyMinutes: 180,
    readyThickMinutes: 480,
    price: 6.5,
    source: `${OWN}; the tube’s own figure wins`,
  },
]

const AGENTS: readonly Agent[] = [
  {
    id: 'paste-wax',
    name: 'silicone-free paste wax',
    kind: 'paste-wax',
    coats: 2,
    waitMinutes: 15,
    readyMinutes: 0,
    coverM2PerUnit: 25,
    unit: 'kg',
    price: 18,
    source: HANDBOOK,
  },
  {
    id: 'vegetable-oil',
    name: 'light vegetable oil',
    kind: 'oil',
    coats: 1,
    waitMinutes: 10,
    readyMinutes: 0,
    coverM2PerUnit: 30,
    unit: 'litre',
    price: 4,
    source: HANDBOOK,
  },
  {
    id: 'lacquer',
    name: 'quick lacquer',
    kind: 'lacquer',
    coats: 2,
    waitMinutes: 60,
    readyMinutes: 1440,
    coverM2PerUnit: 10,
    unit: 'litre',
    price: 15,
    source: HANDBOOK,
  },
  {
    id: 'packing-tape',
    name: 'packing tape, 50 mm',
    kind: 'packing-tape',
    coats: 1,
    waitMinutes: 0,
    readyMinutes: 0,
    coverM2PerUnit: 0.05,
    unit: 'metre',
    price: 0.04,
    source: OWN,
  },
]

const SEALERS: readonly Sealer[] = [
  {
    id: 'acrylic',
    name: 'acrylic sealer',
    school: 'film',
    coats: 3,
    coverM2PerUnit: 9,
    unit: 'litre',
    firstCoatFactor: 0.7,
    betweenCoatsMinutes: 120,
    notBeforeDays: 3,
    inUseDays: 1,
    price: 19,
    source: OWN,
  },
  {
    id: 'penetrating-oil',
    name: 'penetrating oil',
    school: 'penetrating',
    coats: 2,
    coverM2PerUnit: 12,
    unit: 'litre',
    firstCoatFactor: 0.7,
    betweenCoatsMinutes: 720,
    notBeforeDays: 7,
    inUseDays: 3,
    price: 34,
    source: OWN,
  },
  {
    id: 'paste-wax-finish',
    name: 'paste wax',
    school: 'wax',
    coats: 2,
    coverM2PerUnit: 25,
    unit: 'kg',
    firstCoatFactor: 0.7,
    betweenCoatsMinutes: 60,
    notBeforeDays: 7,
    inUseDays: 1,
    price: 18,
    source: OWN,
  },
]

/**
 * The stock a new shop starts with, by what is sold where it is, as fresh copies that may be changed. Prices are only
 * examples.
 */
export const startingStock = (sold: 'metric' | 'us' = 'metric'): Stock =>
  sold === 'us' ? usStock(metricStock()) : metricStock()

const metricStock = (): Stock =>
  JSON.parse(
    JSON.stringify({
      boards: BOARDS,
      skins: SKINS,
      tubes: TUBES,
      rubbers: RUBBERS,
      foams: FOAMS,
      printers: PRINTERS,
      filaments: FILAMENTS,
      jackets: JACKETS,
      vessels: VESSELS,
      plugs: PLUGS,
      liners: LINERS,
      mixes: MIXES,
      meshes: MESHES,
      bars: BARS,
      mixers: MIXERS,
      sealants: SEALANTS,
      agents: AGENTS,
      sealers: SEALERS,
    }),
  ) as Stock
