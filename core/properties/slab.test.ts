import { holdProperties } from './index.ts'

holdProperties('slab', 104)
