export { deadIn } from './ac';
export { drawingOf, foldAtFirst } from './graph';
export { fromElk, toElk } from './layout';
export { type Laid, type Layout, type Placed, TAP_PITCH, TEXT, textWidth } from './placed';
export { type LaidSheet, onSheets } from './sheets';
export { BELOW, INLINE_WIDTH, levelsOf, OVER, withWords } from './words';
export type { About, Drawing, DrawingWish, InlineSymbol, Line, SymbolKind } from './types';
