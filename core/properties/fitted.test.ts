import { holdOperations } from './operations.ts'

holdOperations('fitted', 106)
