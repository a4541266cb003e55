export { type Isolation, isolationOf, type Step } from './isolate';
export { type Order, orderOf, type Temporary, usualEssentials } from './orderOf';
export { type Day, schedule, type Schedule } from './schedule';
export { type Essential, type Job, type Task, TASK_KINDS, type TaskKind } from './task';
export { KIND_OF, tasksOf } from './tasks';
