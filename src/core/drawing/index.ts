export { deadIn } from './ac';
export { drawingOf, foldAtFirst } from './graph';
export { fromElk, type Laid, type Layout, type Placed, TAP_PITCH, TEXT, textWidth, toElk } from './layout';
export type { About, Drawing, DrawingWish, InlineSymbol, Line, SymbolKind } from './types';
