export { boardPages } from './boards';
export { LABEL_SHEETS, type LabelSheet, labelOutlines, labelPages, labelTexts, type Wrap, wrapFor, wrapsOf } from './labels';
export { type Paper, type PaperPage, PAPERS, type Shape } from './page';
export { stripPages } from './strips';
