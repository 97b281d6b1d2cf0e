import { holdProperties } from './index.ts'

holdProperties('swept', 105)
