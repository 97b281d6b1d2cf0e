export {
  type Compared,
  type ComparedPour,
  type LogFigures,
  type LogStation,
  learnWaste,
  planLogStation,
} from './planLog.ts'
export { LOG_WORDS } from './words.ts'
