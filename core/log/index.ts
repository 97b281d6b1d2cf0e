export {
  type Compared,
  type ComparedPour,
  type LogFigures,
  type LogStation,
  learnWaste,
  planLogStation,
} from './planLog.ts'
export { bagsOff, LOG_WORDS } from './words.ts'
