/** What inverters and generators give cause to say once the DC network has been asked. */
import type { GeneratorAnswer } from '../ac/genset';
import { RIPPLE, type InverterAnswer } from '../ac/inverter';
import type { Design } from '../design/schema';
import { round3, sizeName } from '../quantity';
import { withDepartures, type AddAbout, type Finding } from './findings';

export interface AcPower {
  readonly inverters: readonly InverterAnswer[];
  readonly generators: readonly GeneratorAnswer[];
}

export function acPowerFindings(design: Design, { inverters, generators }: AcPower): readonly Finding[] {
  const out: Finding[] = [];
  const add: AddAbout = (rule, severity, kind, id, title, why, todo) =>
    out.push({ id: `${rule}:${id}`, severity, about: { kind, id }, title, why, todo });
  for (const i of inverters) inverterFindings(design, i, add);
  for (const g of generators) generatorFindings(g, add);
  return withDepartures(design, out);
}

function inverterFindings(design: Design, i: InverterAnswer, add: AddAbout): void {
  const source = design.acSources.find((s) => s.id === i.id);
  const about = (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) =>
    add(rule, severity, 'AC source', i.id, title, why, todo);
  const name = source?.name ?? '';
  if (i.wired) {
    if (!i.wired.fused)
      about(
        'ac-dc-unfused',
        'stop',
        'has no fuse at the battery end',
        'Its cable is the largest fire aboard.',
        'A fuse within reach of the post, as Wiring chooses it.',
      );
    if (!i.wired.disconnect)
      about(
        'ac-dc-disconnect',
        'stop',
        'has no DC disconnect',
        'Asleep it looks dead and wakes when touched; only an open disconnect makes it safe to work on.',
        'An isolator in its DC positive, in line on its circuit under Wiring.',
      );
    if (i.heatingA > i.wired.izA + 1e-9)
      about(
        'ac-dc-cable',
        'stop',
        `its DC cable carries ${round3(i.wired.izA)} A, it draws ${round3(i.heatingA)} A`,
        `At full output and the lowest volts it draws ${round3(i.fullA)} A; ripple heats as ${RIPPLE} times that.`,
        'A heavier cable: let Wiring reckon it with the watts of full output on its row.',
      );
    if (i.fullA > i.wired.ratingA + 1e-9)
      about(
        'ac-dc-fuse',
        'fix',
        'its DC fuse opens below full output',
        `${round3(i.wired.ratingA)} A against ${round3(i.fullA)} A at the lowest volts.`,
        'Its maker’s fuse, and the cable that asks for.',
      );
    const { caseWanted, caseHas } = i;
    if (!caseHas)
      about(
        'ac-case',
        'fix',
        'its case has no earth lead',
        'A DC positive on its case finds no way back that opens the fuse.',
        `A case earth of ${caseWanted ? sizeName(caseWanted.school, caseWanted.size) : 'one size below its DC positive'} or more: main side, or enter its size here.`,
      );
    else if (caseWanted && caseHas.areaMm2 < caseWanted.areaMm2 - 1e-9)
      about(
        'ac-case-thin',
        'fix',
        `its case earth is ${sizeName(caseHas.school, caseHas.size)}`,
        `No more than one size smaller than its DC positive of ${sizeName(i.wired.conductor.school, i.wired.conductor.size)}: else the earth burns before the fuse opens.`,
        `${sizeName(caseWanted.school, caseWanted.size)}.`,
      );
  }
  if (!Number.isNaN(i.fullV) && i.fullV < i.minV - 1e-9)
    about(
      'ac-low-volts',
      'fix',
      'gives up before full output',
      `At ${Math.round(100 * design.acRules.inverterSoc)} % charge and full output ${i.fullV > 0 ? `it has ${i.fullV.toFixed(2)} V` : 'its supply collapses'}; it stops at ${i.minV.toFixed(2)} V.`,
      'A heavier or shorter DC cable, more battery, or less on it.',
    );
  for (const s of i.starts.filter((x) => !x.passes))
    about(
      `ac-start ${s.id}`,
      'fix',
      `${s.name} does not start on it`,
      `It takes ${Math.round(s.va)} VA with what runs beside it, for ${round3(s.seconds)} s; ${name} bears ${Math.round(s.bearsVa)} VA for as long.`,
      'Start it with less beside it, a soft starter, or a larger inverter.',
    );
}

function generatorFindings(g: GeneratorAnswer, add: AddAbout): void {
  const about = (rule: string, severity: 'stop' | 'fix' | 'note', title: string, why: string, todo: string) =>
    add(rule, severity, 'AC source', g.id, title, why, todo);
  for (const s of g.starts.filter((x) => !x.passes))
    about(
      `ac-dip ${s.id}`,
      'fix',
      `${s.name} pulls it down by ${round3(100 * s.dip)} %`,
      `${round3(100 * g.mostDip)} % is the most with what hangs on it; ${round3(s.besidesKva)} kVA run already.`,
      `A set of ${round3(g.leastKva)} kVA, a soft starter, or start it first and alone.`,
    );
  if (g.start && !g.start.passes)
    about(
      'ac-remote-start',
      'fix',
      'its remote start may not pull in',
      `${g.start.volts.toFixed(2)} V reach its solenoid while the starter turns; it wants ${g.start.pullInV.toFixed(2)} V.`,
      'A heavier pair to the solenoid, or a relay beside it fed from its own battery.',
    );
}
