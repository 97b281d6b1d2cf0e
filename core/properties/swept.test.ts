import { holdOperations } from './operations.ts'

holdOperations('swept', 105)
