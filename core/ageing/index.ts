export * from './drying.ts'
export * from './equivalentAge.ts'
export { keptShare, warmth } from './heat.ts'
export * from './strength.ts'
