export * from './formPressure.ts'
export * from './plate.ts'
