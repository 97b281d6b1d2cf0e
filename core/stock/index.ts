export * from './catalogue.ts'
export * from './compareStock.ts'
export * from './schema.ts'
export * from './sheets.ts'
