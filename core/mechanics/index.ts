export * from './formPressure.ts'
