import { holdOperations } from './operations.ts'

holdOperations('slab', 104)
