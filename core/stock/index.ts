export * from './catalogue.ts'
export * from './schema.ts'
