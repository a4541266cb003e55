export { bankMass, bankTempC, c20Ah, chemistryOf, tailA } from './bankFigures';
export { bankRestV, type BankSource, bankSource, interruptingFloorA } from './bankSource';
export { chargeEfficiency, coldFactor, effectiveA } from './discharge';
export { houseBanks } from './houseBanks';
export { BAD, type Sharing, sharingOf, takeOff, UNEVEN, usualLink } from './sharing';
export { sizeAll, type Sized, type SizingNeed } from './sizing';
export { cellsOf, oddSlope, slopePerCell } from './slope';
export { STRING_FUSE_FAMILY, type StringFuse, stringFuse } from './stringFuse';
export { cranking, type Cranking, leastStartAh, startsFrom } from './start';
