export * from './drying.ts'
export * from './equivalentAge.ts'
export * from './strength.ts'
