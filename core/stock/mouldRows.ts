/** Rows of the starting stock that moulds are made of beside boards. */
import type { Filament, Foam, Jacket, Liner, Plug, Printer, Rubber, Skin, Tube, Vessel } from './schema.ts'
import { OWN } from './sources.ts'

const BENDS = 'least bend: own starting value, try a strip first; stiffness: usual handbook value'

const skin = (
  id: string,
  name: string,
  material: Skin['material'],
  thickness: number,
  leastRadius: number,
  rest: Partial<Skin>,
): Skin => ({
  id,
  name,
  material,
  thickness,
  length: 2440,
  width: 1220,
  leastRadius,
  wettedRadius: null,
  elasticity: 4000,
  casts: 4,
  price: null,
  source: BENDS,
  ...rest,
})

export const SKINS: readonly Skin[] = [
  skin('skin-hardboard-3', '3 mm hardboard, bent', 'hardboard', 3, 300, { wettedRadius: 200, price: 9 }),
  skin('skin-flexible-5', '5 mm flexible ply', 'flexible-ply', 5, 150, {
    elasticity: 2500,
    casts: 6,
    price: 32,
  }),
  skin('skin-birch-3', '3 mm birch ply, grain along the bend’s axis', 'birch-ply', 3, 250, {
    length: 1525,
    width: 1525,
    elasticity: 7000,
    casts: 8,
    price: 19,
  }),
  skin('skin-flashing', '0.3 mm aluminium flashing', 'aluminium', 0.3, 25, {
    length: 5000,
    width: 300,
    elasticity: 70000,
    casts: 5,
    price: 18,
  }),
  skin('skin-vinyl-2', '2.5 mm vinyl floor sheet', 'vinyl', 2.5, 40, {
    length: 3000,
    width: 2000,
    elasticity: 200,
    casts: 20,
    price: 36,
  }),
  skin('skin-petg-1', '1 mm PETG sheet', 'petg', 1, 100, {
    length: 1250,
    width: 2050,
    elasticity: 2000,
    casts: 25,
    price: 24,
  }),
]

export const TUBES: readonly Tube[] = [150, 200, 250, 300, 350, 400, 450, 500, 600].map((inside, i) => ({
  id: `tube-${inside}`,
  name: `card tube, ${inside} mm inside`,
  inside,
  wall: inside < 300 ? 4 : 6,
  length: 3000,
  price: [14, 18, 23, 29, 36, 44, 53, 63, 84][i]!,
  source: OWN,
}))

export const FOAMS: readonly Foam[] = (
  [
    ['xps', 'rigid foam XPS', 20, 1250, 600, 33, 2, 6],
    ['xps', 'rigid foam XPS', 30, 1250, 600, 33, 2, 8],
    ['xps', 'rigid foam XPS', 50, 1250, 600, 33, 2, 13],
    ['eps', 'bead foam EPS', 100, 1000, 500, 20, 1, 9],
    ['polyurethane', 'modelling board, light', 50, 1500, 500, 160, 10, 95],
  ] as const
).map(([material, name, thickness, length, width, densityKgPerM3, casts, price]) => ({
  id: `foam-${material}-${thickness}`,
  name: `${name}, ${thickness} mm`,
  material,
  thickness,
  length,
  width,
  densityKgPerM3,
  casts,
  price,
  source: OWN,
}))

export const PRINTERS: readonly Printer[] = [
  {
    id: 'printer-220',
    name: 'printer, bed 220 x 220 x 250',
    bedX: 220,
    bedY: 220,
    bedZ: 250,
    nozzle: 0.4,
    layer: 0.2,
    flow: 8,
    idlePercent: 25,
    source: OWN,
  },
  {
    id: 'printer-300',
    name: 'printer, bed 300 x 300 x 400',
    bedX: 300,
    bedY: 300,
    bedZ: 400,
    nozzle: 0.6,
    layer: 0.3,
    flow: 14,
    idlePercent: 25,
    source: OWN,
  },
]

export const FILAMENTS: readonly Filament[] = [
  {
    id: 'filament-pla',
    name: 'PLA filament, 1.75 mm',
    diameter: 1.75,
    densityKgPerM3: 1240,
    casts: 10,
    softensDegC: 50,
    pricePerKg: 18,
    source: OWN,
  },
  {
    id: 'filament-petg',
    name: 'PETG filament, 1.75 mm',
    diameter: 1.75,
    densityKgPerM3: 1270,
    casts: 15,
    softensDegC: 70,
    pricePerKg: 21,
    source: OWN,
  },
]

export const RUBBERS: readonly Rubber[] = [
  {
    id: 'polyurethane-40',
    name: 'polyurethane rubber, Shore A 40',
    family: 'polyurethane',
    densityKgPerM3: 1040,
    partsKgPerM3: { a: 1060, b: 1020 },
    ratio: { by: 'weight', a: 1, b: 1 },
    hardnessShoreA: 40,
    potMinutes: 20,
    demouldHours: 24,
    leastWall: 12,
    shrinkagePercent: 0.1,
    casts: 150,
    pricePerKg: 22,
    source: OWN,
  },
  {
    id: 'tin-silicone-25',
    name: 'tin-cured silicone, Shore A 25',
    family: 'tin-silicone',
    densityKgPerM3: 1180,
    partsKgPerM3: { a: 1190, b: 980 },
    ratio: { by: 'weight', a: 100, b: 5 },
    hardnessShoreA: 25,
    potMinutes: 45,
    demouldHours: 24,
    leastWall: 12,
    shrinkagePercent: 0.4,
    casts: 50,
    pricePerKg: 26,
    source: OWN,
  },
  {
    id: 'platinum-silicone-20',
    name: 'platinum-cured silicone, Shore A 20',
    family: 'platinum-silicone',
    densityKgPerM3: 1120,
    partsKgPerM3: { a: 1120, b: 1120 },
    ratio: { by: 'volume', a: 1, b: 1 },
    hardnessShoreA: 20,
    potMinutes: 30,
    demouldHours: 16,
    leastWall: 12,
    shrinkagePercent: 0.1,
    casts: 80,
    pricePerKg: 34,
    source: OWN,
  },
]

export const VESSELS: readonly Vessel[] = (
  [
    [
      'vessel-bucket-12',
      'bucket, 12 L',
      [
        [0, 220],
        [260, 265],
      ],
      1.5,
      4,
    ],
    [
      'vessel-bucket-20',
      'bucket, 20 L',
      [
        [0, 260],
        [360, 290],
      ],
      1.8,
      7,
    ],
    [
      'vessel-bowl',
      'mixing bowl, 4 L',
      [
        [0, 130],
        [30, 195],
        [70, 235],
        [120, 260],
      ],
      1.5,
      5,
    ],
    [
      'vessel-bin',
      'round bin, 40 L',
      [
        [0, 330],
        [430, 395],
      ],
      2,
      19,
    ],
    [
      'vessel-half-300',
      'half shell of a ball',
      // Chords of a half circle of 150 over a flat of 40: none strays by more than 1 mm.
      [
        [0, 40],
        [7.2, 99.8],
        [20.3, 155.4],
        [38.9, 204.4],
        [62, 244.9],
        [88.8, 275.1],
        [118.1, 293.7],
        [148.7, 300],
      ],
      2,
      12,
    ],
  ] as const
).map(([id, name, rings, wall, price]) => ({
  id,
  name,
  rings: rings.map(([height, diameter]) => ({ height, diameter })),
  wall,
  elasticity: 900,
  lip: false,
  casts: 8,
  price,
  source: OWN,
}))

export const JACKETS: readonly Jacket[] = [
  {
    id: 'jacket-plaster',
    name: 'plaster and jute',
    densityKgPerM3: 1150,
    leastWall: 20,
    hoursPerM2: 2,
    soaks: true,
    casts: 40,
    pricePerKg: 0.9,
    source: OWN,
  },
  {
    id: 'jacket-glass-resin',
    name: 'glass mat and resin',
    densityKgPerM3: 1500,
    leastWall: 5,
    hoursPerM2: 3,
    soaks: false,
    casts: 100,
    pricePerKg: 8,
    source: OWN,
  },
  {
    id: 'jacket-glass-mortar',
    name: 'glass-fibre mortar',
    densityKgPerM3: 2000,
    leastWall: 12,
    hoursPerM2: 2.5,
    soaks: true,
    casts: 60,
    pricePerKg: 1.4,
    source: OWN,
  },
]

const plug = (
  id: string,
  name: string,
  size: readonly [number, number, number],
  price: number,
  rest: Partial<Plug> = {},
): Plug => ({
  id,
  name,
  length: size[0],
  width: size[1],
  radius: size[2],
  height: 60,
  draftDeg: 2,
  casts: 60,
  price,
  source: OWN,
  ...rest,
})

/** Plugs as they are bought: true sizes are measured on the one to hand. */
export const PLUGS: readonly Plug[] = [
  plug('plug-round-35', 'round plug 35, silicone', [35, 35, 17.5], 9, { casts: 100 }),
  plug('plug-round-60', 'round plug 60, silicone', [60, 60, 30], 14, { casts: 100 }),
  plug('plug-round-110', 'round plug 110, moulded', [110, 110, 55], 19),
  plug('plug-basin-400', 'basin plug 400 × 300, moulded', [400, 300, 60], 95, {
    height: 80,
    draftDeg: 3,
    casts: 80,
  }),
]

/** Textured sheets as they are bought. */
export const LINERS: readonly Liner[] = [
  {
    id: 'liner-ribbed',
    name: 'ribbed sheet, polyurethane',
    length: 1200,
    width: 600,
    thickness: 12,
    casts: 60,
    price: 140,
    source: OWN,
  },
  {
    id: 'liner-grain',
    name: 'sawn-grain sheet, rubber',
    length: 1000,
    width: 500,
    thickness: 8,
    casts: 30,
    price: 65,
    source: OWN,
  },
  {
    id: 'liner-pebble',
    name: 'pebbled sheet, moulded plastic',
    length: 600,
    width: 600,
    thickness: 4,
    casts: 8,
    price: 18,
    source: OWN,
  },
]
