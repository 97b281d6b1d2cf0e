import { holdProperties } from './index.ts'

holdProperties('fitted', 106)
