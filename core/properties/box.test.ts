import { holdProperties } from './index.ts'

holdProperties('box', 103)
