import { holdOperations } from './operations.ts'

holdOperations('turned', 106)
