/** How a conductor is made up at its end. */
import { sizeName } from '../quantity';
import { type School, studName, STUDS, terminalFor } from '../rules';

/** How a conductor lands on something, by connection kind and size: barrel x stud. */
export function endName(connection: string, school: School, size: string): string {
  const row = terminalFor(school, size);
  const barrel = sizeName(school, size);
  if (connection === 'screw clamp') return `ferrule ${barrel}`;
  if (connection === 'own lead' || connection === 'splice') return `adhesive butt splice ${barrel}`;
  if (connection === 'blade') return `blade receptacle 6.3 mm, ${barrel}`;
  return `${row.kind} ${barrel} × ${studName(school, connection)}`;
}

/** Torque of the stud an end lands on, N m: plausible; the maker's figure rules. */
export function tightened(end: string): string {
  const stud = STUDS.find((s) => end.endsWith(`× ${s.metric}`) || end.endsWith(`× ${s.imperial}`));
  return stud
    ? `; die ${end.slice(end.indexOf(' ') + 1, end.lastIndexOf(' ×'))}; ${stud.torqueNm} N m unless its maker says otherwise`
    : '';
}

export const hasBarrel = (end: string): boolean => end.startsWith('lug') || end.startsWith('ring') || end.startsWith('blade');
