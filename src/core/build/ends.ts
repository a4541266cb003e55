/** How a conductor is made up at its end. */
import { sizeName, show, type Units } from '../quantity';
import { type DeviceKind, endTakes, findConductor, type School, studFor, studName, STUDS, terminalFor } from '../rules';

/** What a conductor is bolted to where it meets a lead that is not on anything: a covered stud on an insulated base. */
const ON_JUNCTION = ' on a junction stud';

/** A lug for the junction stud of a conductor, by its size. */
export const junctionEnd = (school: School, size: string): string => `${endName(junctionStud(school, size), school, size)}${ON_JUNCTION}`;

/** The stud it asks for. */
export const junctionStud = (school: School, size: string): string => studFor(school, findConductor(school, size)?.areaMm2 ?? 0, 'M6');

/** An end as it is bought, and whether it is bolted to a junction stud. */
export const boughtEnd = (end: string): { readonly terminal: string; readonly onJunction: boolean } =>
  end.endsWith(ON_JUNCTION) ? { terminal: end.slice(0, -ON_JUNCTION.length), onJunction: true } : { terminal: end, onJunction: false };

/** The part that carries it. */
export const junctionPart = (school: School, size: string): string =>
  `junction stud ${studName(school, junctionStud(school, size))}, insulated, covered`;

/** How a conductor lands on something, by connection kind and size: barrel x stud. */
export function endName(connection: string, school: School, size: string): string {
  const row = terminalFor(school, size);
  const barrel = sizeName(school, size);
  if (connection === 'screw clamp') return `ferrule ${barrel}`;
  if (connection === 'own lead' || connection === 'splice') {
    // No splice of that kind is made for more: lug to lug.
    if (!endTakes('splice', school, findConductor(school, size)?.areaMm2 ?? 0)) return junctionEnd(school, size);
    return `adhesive butt splice ${barrel}`;
  }
  if (connection === 'blade') return `blade receptacle ${school === 'awg' ? '1/4 in' : '6.3 mm'}, ${barrel}`;
  return `${row.kind} ${barrel} × ${studName(school, connection)}`;
}

/** Blades carry no more than this, mm². */
const BLADE_MM2 = 6;

/** How a conductor lands on what stands in line: blades or screws on small things, studs on large ones. Typical of the kind; the thing's own sheet rules. */
export function inlineEnd(kind: DeviceKind, school: School, size: string): string {
  const area = findConductor(school, size)?.areaMm2 ?? 0;
  const stud = (least: Parameters<typeof studFor>[2]) => endName(studFor(school, area, least), school, size);
  switch (kind) {
    case 'isolator':
    case 'battery switch':
    case 'shunt':
      return stud('M8');
    case 'plug':
    case 'hold-in contact':
    case 'interlock':
    case 'stop button':
      return endName('screw clamp', school, size);
    case 'float switch':
    case 'diode':
      return endName('own lead', school, size);
    default:
      return area <= BLADE_MM2 ? endName('blade', school, size) : stud('M5');
  }
}

/** Torque of the stud an end lands on: plausible; the maker's figure rules. */
export function tightened(end: string, units: Units): string {
  const stud = STUDS.find((s) => end.endsWith(`× ${s.metric}`) || end.endsWith(`× ${s.imperial}`));
  return stud
    ? `; die ${end.slice(end.indexOf(' ') + 1, end.lastIndexOf(' ×'))}; ${show(stud.torqueNm, 'Nm', units)} unless its maker says otherwise`
    : '';
}

export const hasBarrel = (end: string): boolean => end.startsWith('lug') || end.startsWith('ring') || end.startsWith('blade');
