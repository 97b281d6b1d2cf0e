export { hatchLines } from './hatch.ts'
export { type SectionInput, sectionDrawing } from './sectionDrawing.ts'
export { clock, type ShopSheet, type ShopSheetInput, sectionLevel, shopSheet } from './shopSheet.ts'
export type { Mark, Material, Page, SectionDrawing, SectionPart, SheetsFigures } from './types.ts'
