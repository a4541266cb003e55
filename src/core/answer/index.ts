export { analysisAnswer } from './analyse';
export { nameOf } from './names';
export { AnalysisSchema, ErrorSchema, ProposeRequest, ProposeSchema, ScratchRequest, ScratchSchema } from './schemas';
export { scratchAnswer } from './scratch';
