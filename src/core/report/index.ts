export type { Block, Report, ReportChapter } from './blocks';
export type { ReportFacts } from './facts';
export { evidencePack } from './evidence';
export { ownerReport } from './owner';
export { surveyorReport } from './survey';
export { recordedFindings } from './recorded';
