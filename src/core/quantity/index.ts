export { parseChoice, type Parsed, parseNumber, parseOptional, parseYesNo } from './parse';
export { bare, choiceName, FOOT_M, type Kind, type Mark, MARKS, round3, show, sizeName, unitOf, type Units } from './units';
