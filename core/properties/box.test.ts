import { holdOperations } from './operations.ts'

holdOperations('box', 103)
