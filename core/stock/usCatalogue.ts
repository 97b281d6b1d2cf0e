import { KG_PER_POUND, LITRES_PER_CUBIC_FOOT } from '../units/convert.ts'
import { boardRow } from './boardRow.ts'
import type { Bar, Board, Foam, Mesh, Mix, Mixer, Skin, Stock, Tube } from './schema.ts'
import { HANDBOOK, OWN } from './sources.ts'

/** Lengths of this file are given in inches as they are sold, and kept in mm. */
const IN = 25.4
const FT3 = LITRES_PER_CUBIC_FOOT
const PINT = 0.473176473

const board = (
  id: string,
  name: string,
  material: Board['material'],
  [thickness, length, width]: readonly [number, number, number],
  rest: Partial<Board> = {},
): Board => boardRow(id, name, material, [thickness * IN, length * IN, width * IN], rest)
const MDF = { densityKgPerM3: 750, elasticity: 2500 } as const
const BIRCH = { elasticity: 9500, elasticityAcross: 7000, screwHold: 400 } as const

const BOARDS: readonly Board[] = [
  board('melamine-3-4', '3/4 in melamine', 'melamine', [3 / 4, 97, 49], { price: 48 }),
  board('mdf-3-4', '3/4 in MDF', 'mdf', [3 / 4, 97, 49], { ...MDF, price: 45 }),
  board('mdf-1-2', '1/2 in MDF', 'mdf', [1 / 2, 97, 49], { ...MDF, price: 34 }),
  board('mdf-1-4', '1/4 in MDF', 'mdf', [1 / 4, 97, 49], { ...MDF, price: 20 }),
  board('birch-3-4', '3/4 in birch plywood', 'birch-ply', [3 / 4, 96, 48], { ...BIRCH, price: 78 }),
  board('film-ply-3-4', '3/4 in film-faced plywood', 'film-faced-ply', [3 / 4, 96, 48], {
    ...BIRCH,
    price: 92,
  }),
  board('hardboard-1-8', '1/8 in hardboard', 'hardboard', [1 / 8, 96, 48], {
    densityKgPerM3: 950,
    elasticity: 4000,
    price: 13,
  }),
]

/** A mix of the metric list in a bag of so many pounds, with the water and the yield that it then has. */
const inPounds = (mix: Mix, pounds: number, id: string, name: string, price: number): Mix => {
  const share = (pounds * KG_PER_POUND) / mix.bagKg
  const { stiff, medium, limit } = mix.waterLitres
  const part = (litres: number) => Math.round(litres * share * 1000) / 1000
  return {
    ...mix,
    id,
    name,
    bagKg: pounds * KG_PER_POUND,
    yieldLitres: part(mix.yieldLitres),
    waterLitres: { stiff: part(stiff), medium: part(medium), limit: part(limit) },
    price,
  }
}

/** 0.60 ft3 and 6 to 9 pints of water to 80 lb, 7.7 for a medium mix: mass over yield is the fresh density. */
const structural = (base: Mix, pounds: number, price: number): Mix => {
  const share = pounds / 80
  return {
    ...base,
    id: `structural-${pounds}-lb`,
    name: `${pounds} lb structural mix`,
    bagKg: pounds * KG_PER_POUND,
    yieldLitres: 0.6 * FT3 * share,
    waterLitres: { stiff: 6 * PINT * share, medium: 7.7 * PINT * share, limit: 9 * PINT * share },
    price,
  }
}

const skin = (
  base: Skin,
  name: string,
  [thickness, length, width]: readonly [number, number, number],
): Skin => ({
  ...base,
  name,
  thickness: thickness * IN,
  length: length * IN,
  width: width * IN,
})
const SKIN_SIZES: Readonly<Record<string, readonly [string, readonly [number, number, number]]>> = {
  'skin-hardboard-3': ['1/8 in hardboard, bent', [1 / 8, 96, 48]],
  'skin-flexible-5': ['3/16 in flexible plywood', [3 / 16, 96, 48]],
  'skin-birch-3': ['1/8 in birch plywood, grain along the bend’s axis', [1 / 8, 60, 60]],
  'skin-flashing': ['0.012 in aluminum flashing', [0.012, 120, 14]],
  'skin-vinyl-2': ['3/32 in vinyl floor sheet', [3 / 32, 120, 72]],
  'skin-petg-1': ['0.04 in PETG sheet', [0.04, 96, 48]],
}

const TUBES: readonly Tube[] = [6, 8, 10, 12, 14, 16, 18, 24].map((inside, i) => ({
  id: `tube-${inside}-in`,
  name: `${inside} in form tube`,
  inside: inside * IN,
  wall: inside < 12 ? 4 : 6,
  length: 144 * IN,
  price: [16, 14, 18, 22, 34, 41, 52, 88][i]!,
  source: OWN,
}))

const FOAMS: readonly Foam[] = [1, 2].map((inches) => ({
  id: `foam-xps-${inches}-in`,
  name: `${inches} in rigid foam XPS`,
  material: 'xps',
  thickness: inches * IN,
  length: 96 * IN,
  width: 48 * IN,
  densityKgPerM3: 33,
  casts: 2,
  price: [26, 44][inches - 1]!,
  source: OWN,
}))

const mesh = (id: string, name: string, spacing: number, wire: number, price: number): Mesh => ({
  id,
  name,
  spacing: spacing * IN,
  wire,
  length: 84 * IN,
  width: 42 * IN,
  finish: 'plain',
  densityKgPerM3: 7850,
  price,
  source: HANDBOOK,
})
const MESHES: readonly Mesh[] = [
  mesh('mesh-4-in', '4 x 4 in mesh', 4, 3.4, 16),
  mesh('mesh-6-in', '6 x 6 in mesh', 6, 3.4, 11),
]

const bar = (id: string, name: string, diameter: number, price: number): Bar => ({
  id,
  name,
  material: 'plain',
  diameter,
  length: 240 * IN,
  strength: 420,
  densityKgPerM3: 7850,
  price,
  source: OWN,
})

const MIXERS: readonly Mixer[] = [
  { id: 'tub-6-gal', name: '6 gal tub and paddle', litres: 22.7, mixMinutes: 8, source: OWN },
  { id: 'barrow-10-gal', name: '10 gal wheelbarrow and hoe', litres: 37.9, mixMinutes: 8, source: OWN },
  { id: 'bucket-3-gal', name: '3 gal bucket and drill', litres: 11.4, mixMinutes: 5, source: OWN },
  { id: 'drum-3-ft3', name: '3 ft³ drum mixer', litres: 85, mixMinutes: 6, source: OWN },
]

/** The vessels by what they are sold as; their rings stay as measured. */
const VESSEL_NAMES: Readonly<Record<string, string>> = {
  'vessel-bucket-12': 'bucket, 3 gal',
  'vessel-bucket-20': 'bucket, 5 gal',
  'vessel-bowl': 'mixing bowl, 4 qt',
  'vessel-bin': 'round bin, 10 gal',
  'vessel-half-300': 'half shell of a ball, 12 in',
}
const PLUG_NAMES: Readonly<Record<string, string>> = {
  'plug-round-35': 'round plug 1 3/8 in, silicone',
  'plug-round-60': 'round plug 2 3/8 in, silicone',
  'plug-round-110': 'round plug 4 5/16 in, moulded',
  'plug-basin-400': 'basin plug 15 3/4 x 11 3/4 in, moulded',
}

/** The metric stock turned into what is sold by the inch, pound and gallon; what is the same everywhere stays. */
export function usStock(metric: Stock): Stock {
  const mix = (id: string) => metric.mixes.find((m) => m.id === id)!
  return {
    ...metric,
    boards: [...BOARDS],
    skins: metric.skins.map((s) => (SKIN_SIZES[s.id] ? skin(s, ...SKIN_SIZES[s.id]!) : s)),
    tubes: [...TUBES],
    foams: [...FOAMS],
    vessels: metric.vessels.map((v) => ({ ...v, name: VESSEL_NAMES[v.id] ?? v.name })),
    plugs: metric.plugs.map((p) => ({ ...p, name: PLUG_NAMES[p.id] ?? p.name })),
    mixes: [
      structural(mix('structural-25'), 80, 6.9),
      structural(mix('structural-25'), 60, 5.6),
      structural(mix('structural-25'), 50, 5.2),
      inPounds(mix('mortar-25'), 80, 'mortar-80-lb', '80 lb sand mortar', 8.4),
      inPounds(mix('fast-20'), 50, 'fast-50-lb', '50 lb fast-setting mortar', 19),
      inPounds(mix('glass-fibre-20'), 50, 'glass-fibre-50-lb', '50 lb glass-fibre premix', 34),
    ],
    meshes: [...MESHES],
    bars: [bar('bar-no-3', 'No. 3 bar', 9.5, 8), bar('bar-no-4', 'No. 4 bar', 12.7, 12)],
    mixers: [...MIXERS],
    sealants: metric.sealants.map((s) => ({ ...s, name: '10.1 fl oz silicone sealant', millilitres: 298.7 })),
    agents: metric.agents.map((a) => (a.kind === 'packing-tape' ? { ...a, name: '2 in packing tape' } : a)),
  }
}
