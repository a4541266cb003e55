export { parseChoice, type Parsed, parseNumber, parseOptional, parseYesNo } from './parse';
export {
  bare,
  brief,
  choiceName,
  cutTo,
  FOOT_M,
  type Kind,
  type Mark,
  MARKS,
  round3,
  show,
  sizeName,
  small,
  unitOf,
  type Units,
} from './units';
