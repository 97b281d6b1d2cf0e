import type { Stock, StockList } from '../../core/stock/index.ts'

export type StockRow = Stock[StockList][number]
/** A figure of a row: `key` is where it stands, as `waterLitres.stiff`. */
export type Field = {
  readonly key: string
  readonly label: string
  readonly unit?: string
} & (
  | { readonly kind: 'measure' | 'number' | 'price' | 'flag' }
  | { readonly kind: 'choice'; readonly options: Readonly<Record<string, string>> }
)
export type StockListFields = {
  readonly list: StockList
  readonly heading: string
  readonly one: string
  readonly fields: readonly Field[]
}
const price = (label: string, key = 'price'): Field => ({ key, label, kind: 'price' })
const size = (key: string, label: string): Field => ({ key, label, kind: 'measure' })
const casts: Field = { key: 'casts', label: 'Lasts, casts', kind: 'number' }

const BOARD_MATERIALS = {
  melamine: 'melamine particle board',
  mdf: 'MDF',
  'birch-ply': 'birch plywood',
  'spruce-ply': 'spruce plywood',
  'film-faced-ply': 'film-faced plywood',
  hardboard: 'hardboard',
}
const minutes = (key: string, label: string): Field => ({ key, label, kind: 'number', unit: 'min' })
const litres = (key: string, label: string): Field => ({ key, label, kind: 'number', unit: 'L' })
const strength = (key: string, label: string): Field => ({ key, label, kind: 'number', unit: 'MPa' })
const choice = (key: string, label: string, options: Readonly<Record<string, string>>): Field => ({
  key,
  label,
  kind: 'choice',
  options,
})

/** What a maker measures, reads off a sheet or pays of each list. */
export const LISTS: readonly StockListFields[] = [
  {
    list: 'boards',
    heading: 'Boards',
    one: 'board',
    fields: [
      choice('material', 'Material', BOARD_MATERIALS),
      size('thickness', 'True thickness'),
      size('length', 'Sheet length'),
      size('width', 'Sheet width'),
      price('Price of a sheet'),
      { key: 'grain', label: 'Parts keep the grain', kind: 'flag' },
    ],
  },
  {
    list: 'mixes',
    heading: 'Bagged mixes',
    one: 'mix',
    fields: [
      choice('family', 'Family', {
        structural: 'structural concrete',
        mortar: 'mortar',
        'glass-fibre': 'glass-fibre concrete',
        fast: 'fast-setting mortar',
        lightweight: 'lightweight',
      }),
      { key: 'bagKg', label: 'Bag', kind: 'number', unit: 'kg' },
      litres('yieldLitres', 'Yield of a bag'),
      litres('waterLitres.stiff', 'Water for a stiff mix'),
      litres('waterLitres.medium', 'Usual water'),
      litres('waterLitres.limit', 'Most water'),
      strength('f28.stiff', 'Strength at 28 days, stiff'),
      strength('f28.medium', 'Strength at 28 days, usual water'),
      strength('f28.limit', 'Strength at 28 days, most water'),
      { key: 'freshKgPerM3', label: 'Density, fresh', kind: 'number', unit: 'kg/m³' },
      { key: 'hardenedKgPerM3', label: 'Density, hardened', kind: 'number', unit: 'kg/m³' },
      { key: 'cementPercent', label: 'Cement in it', kind: 'number', unit: '%' },
      minutes('initialSet', 'Begins to set, at 20 °C'),
      minutes('finalSet', 'Has set, at 20 °C'),
      size('largestStone', 'Largest stone'),
      size('leastThickness.plain', 'Least thickness, plain'),
      size('leastThickness.mesh', 'Least thickness, with mesh'),
      price('Price of a bag'),
    ],
  },
  {
    list: 'recipes',
    heading: 'Mixes by parts',
    one: 'recipe',
    fields: [
      { key: 'cement', label: 'Cement, parts by volume', kind: 'number' },
      { key: 'sand', label: 'Sand, parts', kind: 'number' },
      { key: 'stone', label: 'Stone, parts', kind: 'number' },
      { key: 'damp', label: 'The sand is damp', kind: 'flag' },
      { key: 'polymerPercent', label: 'Polymer, solids, of the cement', kind: 'number', unit: '%' },
      { key: 'waterCement.stiff', label: 'Water by cement, least', kind: 'number' },
      { key: 'waterCement.medium', label: 'Water by cement, usual', kind: 'number' },
      { key: 'waterCement.limit', label: 'Water by cement, most', kind: 'number' },
      size('largestStone', 'Largest stone'),
      { key: 'slow', label: 'Blended or slow cement', kind: 'flag' },
      { key: 'cementBagKg', label: 'Bag of cement', kind: 'number', unit: 'kg' },
      litres('vesselLitres', 'Own vessel to measure in'),
      price('Cement, a kilogram', 'prices.cement'),
      price('Sand, a kilogram', 'prices.sand'),
      price('Stone, a kilogram', 'prices.stone'),
      price('Polymer, a kilogram', 'prices.polymer'),
    ],
  },
  {
    list: 'mixers',
    heading: 'Mixers and tubs',
    one: 'mixer',
    fields: [litres('litres', 'Holds'), minutes('mixMinutes', 'Mixing takes')],
  },
  {
    list: 'meshes',
    heading: 'Mesh',
    one: 'mesh',
    fields: [
      choice('finish', 'Finish', {
        plain: 'plain steel',
        galvanised: 'galvanised',
        stainless: 'stainless',
        'ar-glass': 'alkali-resistant glass',
      }),
      size('spacing', 'Wires apart'),
      size('wire', 'Wire'),
      size('length', 'Sheet length'),
      size('width', 'Sheet width'),
      price('Price of a sheet'),
    ],
  },
  {
    list: 'bars',
    heading: 'Bars',
    one: 'bar',
    fields: [
      choice('material', 'Material', {
        plain: 'plain steel',
        galvanised: 'galvanised',
        stainless: 'stainless',
        'glass-fibre': 'glass fibre',
      }),
      size('diameter', 'Diameter'),
      size('length', 'Length'),
      strength('strength', 'Yields at'),
      price('Price of a bar'),
    ],
  },
  {
    list: 'agents',
    heading: 'Release agents',
    one: 'agent',
    fields: [
      choice('kind', 'Kind', {
        'paste-wax': 'paste wax',
        oil: 'oil',
        'water-based': 'water-based',
        'petroleum-jelly': 'petroleum jelly',
        film: 'film',
        silicone: 'silicone release',
        'packing-tape': 'packing tape',
        lacquer: 'lacquer',
        varnish: 'varnish',
        fuel: 'fuel or engine oil',
        none: 'none',
      }),
      { key: 'coats', label: 'Coats', kind: 'number' },
      minutes('waitMinutes', 'Wait after each coat, at 20 °C'),
      minutes('readyMinutes', 'Then until it is ready'),
      { key: 'coverM2PerUnit', label: 'Covers, a unit and coat', kind: 'number', unit: 'm²' },
      choice('unit', 'Unit', { kg: 'kilogram', litre: 'litre', metre: 'metre' }),
      price('Price of a unit'),
    ],
  },
  {
    list: 'doses',
    heading: 'Pigments and admixtures',
    one: 'dose',
    fields: [
      choice('kind', 'Kind', {
        pigment: 'pigment',
        plasticiser: 'plasticiser',
        accelerator: 'accelerator, no chloride',
        retarder: 'retarder',
        chloride: 'accelerator with chloride',
      }),
      { key: 'percent', label: 'Usual, of the cement', kind: 'number', unit: '%' },
      { key: 'mostPercent', label: 'At most', kind: 'number', unit: '%' },
      { key: 'setFactor', label: 'Sets in so many times as long', kind: 'number' },
      price('Price of a kilogram'),
    ],
  },
  {
    list: 'sealers',
    heading: 'Sealers of the finished piece',
    one: 'sealer',
    fields: [
      choice('school', 'School', { penetrating: 'penetrating', film: 'film', wax: 'wax' }),
      { key: 'coats', label: 'Coats', kind: 'number' },
      { key: 'coverM2PerUnit', label: 'Covers, a unit and coat', kind: 'number', unit: 'm²' },
      choice('unit', 'Unit', { litre: 'litre', kg: 'kilogram' }),
      minutes('betweenCoatsMinutes', 'Between coats'),
      { key: 'notBeforeDays', label: 'Not before', kind: 'number', unit: 'days' },
      { key: 'inUseDays', label: 'Then until use', kind: 'number', unit: 'days' },
      price('Price of a unit'),
    ],
  },
  {
    list: 'sealants',
    heading: 'Sealant',
    one: 'sealant',
    fields: [
      { key: 'millilitres', label: 'Cartridge', kind: 'number', unit: 'mL' },
      { key: 'wastePercent', label: 'Wasted', kind: 'number', unit: '%' },
      minutes('readyMinutes', 'Ready, throat to 4 mm'),
      minutes('readyThickMinutes', 'Ready, throat to 8 mm'),
      price('Price of a cartridge'),
    ],
  },
  {
    list: 'skins',
    heading: 'Sheets that are bent',
    one: 'sheet',
    fields: [
      size('thickness', 'True thickness'),
      size('length', 'Sheet length'),
      size('width', 'Sheet width'),
      size('leastRadius', 'Tightest bend'),
      price('Price of a sheet'),
    ],
  },
  {
    list: 'foams',
    heading: 'Foam',
    one: 'foam',
    fields: [
      size('thickness', 'True thickness'),
      size('length', 'Sheet length'),
      size('width', 'Sheet width'),
      price('Price of a sheet'),
    ],
  },
  {
    list: 'tubes',
    heading: 'Card tubes',
    one: 'tube',
    fields: [
      size('inside', 'Inside'),
      size('wall', 'Wall'),
      size('length', 'Length'),
      price('Price of a tube'),
    ],
  },
  {
    list: 'rubbers',
    heading: 'Rubbers',
    one: 'rubber',
    fields: [
      { key: 'potMinutes', label: 'Pot life', kind: 'number', unit: 'min' },
      { key: 'demouldHours', label: 'Out after', kind: 'number', unit: 'h' },
      casts,
      price('Price of a kilogram', 'pricePerKg'),
    ],
  },
  {
    list: 'jackets',
    heading: 'Shells and jackets',
    one: 'material',
    fields: [size('leastWall', 'Least wall'), casts, price('Price of a kilogram', 'pricePerKg')],
  },
  {
    list: 'printers',
    heading: 'Printers',
    one: 'printer',
    fields: [
      size('bedX', 'Bed, across'),
      size('bedY', 'Bed, deep'),
      size('bedZ', 'Bed, high'),
      { key: 'nozzle', label: 'Nozzle', kind: 'number', unit: 'mm' },
      { key: 'flow', label: 'Plastic laid down', kind: 'number', unit: 'mm³/s' },
    ],
  },
  {
    list: 'filaments',
    heading: 'Filament',
    one: 'filament',
    fields: [
      casts,
      { key: 'softensDegC', label: 'Gives from', kind: 'number', unit: '°C' },
      price('Price of a kilogram', 'pricePerKg'),
    ],
  },
  {
    list: 'vessels',
    heading: 'Vessels and bought round shells',
    one: 'vessel',
    fields: [size('wall', 'Wall'), casts, price('Price')],
  },
  {
    list: 'plugs',
    heading: 'Bought plugs and cores',
    one: 'plug',
    fields: [
      size('length', 'Length or diameter, wide end'),
      size('width', 'Width, wide end'),
      size('radius', 'Corner radius; half the width is round'),
      size('height', 'Height'),
      { key: 'draftDeg', label: 'Draft', kind: 'number', unit: '°' },
      casts,
      price('Price'),
    ],
  },
  {
    list: 'liners',
    heading: 'Bought liners',
    one: 'liner',
    fields: [
      size('length', 'Length'),
      size('width', 'Width'),
      size('thickness', 'Thickness, texture and back'),
      casts,
      price('Price of a sheet'),
    ],
  },
]
