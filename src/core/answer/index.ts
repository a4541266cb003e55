export { analysisAnswer } from './analyse';
export { AnalysisSchema, ErrorSchema, ProposeRequest, ProposeSchema, ScratchRequest, ScratchSchema } from './schemas';
export { scratchAnswer } from './scratch';
