export {
  type Compared,
  type ComparedPour,
  type LogFigures,
  type LogStation,
  learnWaste,
  planLogStation,
} from './planLog.ts'
export { explainLog } from './words.ts'
