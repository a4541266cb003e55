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
  round3Beside,
  show,
  sizeName,
  small,
  unitOf,
  type Units,
} from './units';
