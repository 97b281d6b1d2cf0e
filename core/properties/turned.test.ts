import { holdProperties } from './index.ts'

holdProperties('turned', 106)
