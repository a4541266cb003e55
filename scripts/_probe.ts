import { wired } from '../src/core/check/pairs/boats';
import { analyse } from '../src/core/analysis';
import { inverterAnswers } from '../src/core/network';
const a = analyse(wired);
for (const i of inverterAnswers(wired, a, (a as any).banks)) console.log(i.fullA, i.heatingA, i.wired, wired.house.protectionOverLoad, i.caseWanted?.size);
