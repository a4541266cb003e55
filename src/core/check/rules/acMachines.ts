/** Rules on inverters and generators, once the DC network has been asked. */
import { RIPPLE } from '../../rules';
import { type GeneratorAnswer, type InverterAnswer } from '../../network';
import { type Design, rowOf, setOp } from '../../design';
import { servingOf } from '../../topology';
import { round3, round3Beside, sizeName } from '../../quantity';
import { type Rule, type Said, SOURCES, when } from '../rule';
import type { AcRow } from './acParts';

export interface AcPower {
  readonly inverters: readonly InverterAnswer[];
  readonly generators: readonly GeneratorAnswer[];
}

export interface MachineFacts extends AcPower {
  readonly design: Design;
}

type MachineRule = Rule<MachineFacts>;

const inverter = (row: AcRow, told: (i: InverterAnswer, design: Design) => readonly Said[]): MachineRule => ({
  source: SOURCES.dc,
  ...row,
  about: 'AC source',
  find: ({ design, inverters }) => inverters.flatMap((i) => told(i, design).map((t) => ({ ...t, id: i.id }))),
});
const generator = (row: AcRow, told: (g: GeneratorAnswer) => readonly Said[]): MachineRule => ({
  source: SOURCES.maker,
  ...row,
  about: 'AC source',
  find: ({ generators }) => generators.flatMap((g) => told(g).map((t) => ({ ...t, id: g.id }))),
});

const two = (v: number): string => v.toFixed(2);
/** What is opened and stays open. */
const LOCKS_OUT: ReadonlySet<string> = new Set(['switch', 'lit switch', 'battery switch', 'isolator', 'stop button', 'plug']);

/** Within so much a disconnect is in sight and in reach: ours. */
const REACH_M = 2;

const caseSize = (i: InverterAnswer): string =>
  i.caseWanted ? sizeName(i.caseWanted.school, i.caseWanted.size) : 'one size below its DC positive';
export const MACHINE_RULES: readonly MachineRule[] = [
  inverter(
    {
      id: 'ac-dc-unfused',
      severity: 'stop',
      reads: ['circuits.found', 'acSources.inverter.loadId'],
      when: 'an inverter’s DC cable has no fuse at the battery',
      why: 'Its cable is the largest fire aboard.',
      todo: 'A fuse within reach of the post, as Wiring chooses it.',
      hazard: 'fire',
      confirm: 'eyes',
    },
    (i) => when(i.wired !== null && !i.wired.fused, () => ({ title: 'has no fuse at the battery end' })),
  ),
  inverter(
    {
      id: 'ac-dc-disconnect',
      severity: 'stop',
      reads: ['circuits.devices'],
      when: 'an inverter has no DC disconnect',
      why: 'Asleep it looks dead and wakes when touched; only an open disconnect makes it safe to work on.',
      todo: 'An isolator in its DC positive, in line on its circuit under Wiring.',
      hazard: 'shock',
      confirm: 'eyes',
    },
    (i) => when(i.wired !== null && !i.wired.disconnect, () => ({ title: 'has no DC disconnect' })),
  ),
  inverter(
    {
      id: 'ac-dc-cable',
      severity: 'stop',
      reads: ['circuits', 'loads', 'acSources.inverter'],
      when: 'an inverter’s DC cable carries less than full output with ripple heats it',
      why: 'At full output and the lowest volts it overheats.',
      todo: 'A heavier cable: let Wiring size it with the watts of full output on its row.',
      hazard: 'fire',
      confirm: 'a meter',
    },
    (i) =>
      when(i.wired !== null && i.heatingA > i.wired.izA + 1e-9, () => ({
        title: `its DC cable carries ${round3(i.wired?.izA ?? 0)} A, it draws ${round3(i.heatingA)} A`,
        why: `At full output and the lowest volts it draws ${round3(i.fullA)} A; ripple heats as ${RIPPLE} times that.`,
      })),
  ),
  inverter(
    {
      id: 'ac-dc-fuse',
      severity: 'fix',
      reads: ['circuits', 'acSources.inverter'],
      when: 'an inverter’s DC fuse opens below full output',
      why: 'It opens at full output.',
      todo: 'Its maker’s fuse, and the cable that asks for.',
      hazard: 'none',
      confirm: 'eyes',
      source: SOURCES.maker,
    },
    (i) =>
      when(i.wired !== null && i.fullA > i.wired.ratingA + 1e-9, () => ({
        title: 'its DC fuse opens below full output',
        why: `${round3(i.wired?.ratingA ?? 0)} A against ${round3(i.fullA)} A at the lowest volts.`,
      })),
  ),
  inverter(
    {
      id: 'ac-dc-margin',
      severity: 'note',
      reads: ['circuits', 'acSources.inverter', 'house.protectionOverLoad'],
      when: 'an inverter’s DC fuse carries full output, with less over it than the house rules ask for',
      why: 'It ages and opens on a hot day, at full output.',
      todo: 'The next rating its cable and its maker allow.',
      hazard: 'none',
      confirm: 'eyes',
    },
    (i, { house }) => {
      const devices = i.wired?.ownDevices ? i.wired.legs : 1;
      const ratingA = (i.wired?.ratingA ?? 0) * devices;
      return when(i.wired !== null && i.fullA <= ratingA + 1e-9 && ratingA < i.fullA * house.protectionOverLoad - 1e-9, () => ({
        title: `its DC fuse of ${round3(ratingA)} A is ${round3(ratingA / i.fullA)} times full output`,
        why: `${round3(i.fullA)} A at the lowest volts; the house asks for ${round3(house.protectionOverLoad)} times, ${round3(i.fullA * house.protectionOverLoad)} A.`,
      }));
    },
  ),
  inverter(
    {
      id: 'ac-disconnect-far',
      severity: 'fix',
      reads: ['circuits.devices', 'acSources.placeId', 'places'],
      when: `an inverter’s DC disconnect is more than ${REACH_M} m from it, or where it is is not entered`,
      why: 'Whoever sees smoke, or takes the cover off, must reach it and see that it stays open.',
      todo: 'A disconnect in sight of the inverter, reached without leaning over it.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.practice,
    },
    (i) => {
      const { wired } = i;
      if (!wired?.disconnect) return [];
      if (wired.disconnectM === null)
        return [{ severity: 'note', title: 'where its DC disconnect is, is not entered', todo: 'Enter its place: Wiring, in line.' }];
      return when(wired.disconnectM > REACH_M, () => ({ title: `its DC disconnect is ${round3(wired.disconnectM ?? 0)} m away` }));
    },
  ),
  inverter(
    {
      id: 'ac-precharge',
      severity: 'fix',
      reads: ['acSources.inverter.precharge', 'boat.systemV', 'circuits.devices'],
      when: 'an inverter at 24 V or more is switched by a disconnect without anything to charge its capacitors first',
      why: 'Its capacitors draw hundreds of amps as the contacts close: they pit and weld, and a BMS takes it for a short.',
      todo: 'A resistor with a push button across the disconnect, held for some seconds before it is closed; or what its maker asks for.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.practice,
      cure: (design, { about }) => [setOp(design, ['acSources', about.id, 'inverter', 'precharge'], true)],
    },
    (i, design) =>
      when(
        i.wired !== null && i.wired.disconnect && i.nominalV >= 24 && rowOf(design.acSources, i.id)?.inverter?.precharge === false,
        () => ({ title: `its capacitors are switched onto ${i.nominalV} V without pre-charge` }),
      ),
  ),
  inverter(
    {
      id: 'ac-units',
      severity: 'fix',
      reads: ['acSources.inverter.units', 'circuits.pin'],
      when: 'inverters in parallel share one DC cable or one fuse',
      why: 'A fault in one is fed through a cable and a fuse made for all; unlike cables load them unlike.',
      todo: 'For each a cable of its own, all of one length, with a fuse each.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
      cure: (design, { about }) => {
        const units = rowOf(design.acSources, about.id)?.inverter?.units ?? 1;
        const circuit = servingOf(design.circuits).loads.get(rowOf(design.acSources, about.id)?.inverter?.loadId ?? '');
        return circuit && !circuit.found && circuit.pin.size !== null && units <= 4
          ? [setOp(design, ['circuits', circuit.id, 'pin'], { ...circuit.pin, legs: units, ownDevices: true })]
          : null;
      },
    },
    (i, design) => {
      const units = rowOf(design.acSources, i.id)?.inverter?.units ?? 1;
      return when(i.wired !== null && units > 1 && (i.wired.legs < units || !i.wired.ownDevices), () => ({
        title: `${units} in parallel on ${i.wired?.legs === 1 ? 'one DC cable' : `${i.wired?.legs ?? 0} DC cables`}${i.wired?.ownDevices ? '' : ' behind one fuse'}`,
      }));
    },
  ),
  inverter(
    {
      id: 'ac-case',
      severity: 'fix',
      reads: ['acSources.inverter.caseSize', 'leads'],
      when: 'an inverter’s case has no earth lead',
      why: 'A DC positive on its case finds no way back that opens the fuse.',
      todo: 'A case earth of one size below its DC positive or more: main side, or enter its size here.',
      hazard: 'fire',
      confirm: 'a meter',
    },
    (i) =>
      when(i.wired !== null && !i.caseHas, () => ({
        title: 'its case has no earth lead',
        todo: `A case earth of ${caseSize(i)} or more: main side, or enter its size here.`,
      })),
  ),
  inverter(
    {
      id: 'ac-case-thin',
      severity: 'fix',
      reads: ['acSources.inverter.caseSize', 'circuits'],
      when: 'an inverter’s case earth is more than one size below its DC positive',
      why: 'The earth burns before the fuse opens.',
      todo: 'The size wanted.',
      hazard: 'fire',
      confirm: 'eyes',
    },
    (i) =>
      when(i.wired !== null && i.caseHas !== null && i.caseWanted !== null && i.caseHas.areaMm2 < i.caseWanted.areaMm2 - 1e-9, () => ({
        title: `its case earth is ${i.caseHas ? sizeName(i.caseHas.school, i.caseHas.size) : ''}`,
        why: `No more than one size smaller than its DC positive of ${i.wired ? sizeName(i.wired.conductor.school, i.wired.conductor.size) : ''}: else the earth burns before the fuse opens.`,
        todo: `${caseSize(i)}.`,
      })),
  ),
  inverter(
    {
      id: 'ac-low-volts',
      severity: 'fix',
      reads: ['banks', 'circuits', 'acRules.inverterSoc', 'acSources.inverter'],
      when: 'an inverter gets too few volts at full output and low charge',
      why: 'It stops before full output.',
      todo: 'A heavier or shorter DC cable, more battery, or less on it.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.practice,
    },
    (i, design) =>
      when(!Number.isNaN(i.fullV) && i.fullV < i.minV - 1e-9, () => ({
        title: 'gives up before full output',
        why: `At ${Math.round(100 * design.acRules.inverterSoc)} % charge and full output ${i.fullV > 0 ? `it has ${i.fullV.toFixed(2)} V` : 'its supply collapses'}; it stops at ${i.minV.toFixed(2)} V.`,
      })),
  ),
  inverter(
    {
      id: 'ac-start',
      severity: 'fix',
      reads: ['acLoads.surgeVa', 'acSources.inverter.surges'],
      when: 'an appliance’s start is more than the inverter gives for as long',
      why: 'The inverter trips as it starts.',
      todo: 'Start it with less beside it, a soft starter, or a larger inverter.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.maker,
    },
    (i, design) => {
      const name = rowOf(design.acSources, i.id)?.name ?? '';
      return i.starts
        .filter((s) => !s.passes)
        .map((s) => ({
          suffix: ` ${s.id}`,
          title: `${s.name} does not start on it`,
          why: `It takes ${round3Beside(s.va, s.bearsVa)} VA with what runs beside it, for ${round3(s.seconds)} s; ${name} gives ${round3(s.bearsVa)} VA for as long.`,
        }));
    },
  ),
  generator(
    {
      id: 'ac-dip',
      severity: 'fix',
      reads: ['acSources.generator', 'acLoads.surgeVa'],
      when: 'an appliance’s start pulls the generator’s volts down too far',
      why: 'Lights dim, electronics restart, the motor may stall.',
      todo: 'A larger set, a soft starter, or start it first and alone.',
      hazard: 'none',
      confirm: 'a meter',
    },
    (g) =>
      g.starts
        .filter((s) => !s.passes)
        .map((s) => ({
          suffix: ` ${s.id}`,
          title:
            s.by === 'maker' && s.dip <= g.mostDip
              ? `${s.name} starts with more than its maker allows`
              : `${s.name} pulls it down by ${round3(100 * s.dip)} %`,
          why:
            s.by === 'maker'
              ? `Its maker allows a start of ${round3(g.startKva ?? 0)} kVA; ${round3(s.besidesKva)} kVA run already. By its reactance it dips ${round3(100 * s.dip)} %, ${round3(100 * g.mostDip)} % is the most.`
              : `${round3(100 * g.mostDip)} % is the most with what is on it; ${round3(s.besidesKva)} kVA run already.`,
          todo: `A set of ${round3(g.leastKva)} kVA, a soft starter, or start it first and alone.`,
        })),
  ),
  generator(
    {
      id: 'ac-remote-start',
      severity: 'fix',
      reads: ['acSources.generator.startLoadId', 'acSources.generator.preheatLoadId', 'circuits', 'engine'],
      when: 'the generator’s start solenoid gets too few volts to pull in, at rest or while the engine’s starter turns',
      why: 'It starts sometimes and sometimes not.',
      todo: 'A heavier pair to the solenoid, or a relay beside it fed from its own battery.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.practice,
    },
    (g) =>
      when(g.start !== null && !g.start.pullsIn, () => ({
        title: 'its remote start may not pull in',
        why: `${two(Math.min(g.start?.atRestV ?? NaN, g.start?.engineV ?? NaN))} V reach its solenoid${(g.start?.engineV ?? 0) < (g.start?.atRestV ?? 0) ? ' while the engine’s starter turns' : ''}; it wants ${two(g.start?.pullInV ?? NaN)} V.`,
      })),
  ),
  generator(
    {
      id: 'ac-hold-in',
      severity: 'fix',
      reads: ['acSources.generator', 'circuits', 'banks'],
      when: 'the generator’s control coil lets go while its own starter turns',
      why: 'The starter pulls in, the volts sag, the coil drops, the volts come back: it chatters, and its contacts burn.',
      todo: 'A relay at the set fed from its own battery, a heavier pair to the coil, or a stronger start battery.',
      hazard: 'fire',
      confirm: 'a meter',
      source: SOURCES.practice,
    },
    (g) =>
      when(g.start !== null && !g.start.holds, () => ({
        title: 'its control coil lets go as its starter turns',
        why: `${two(g.start?.turningV ?? NaN)} V are left at it beside a starter of ${round3(g.start?.starterA ?? 0)} A on ${g.start?.bankName ?? ''}; it lets go at ${two(g.start?.holdInV ?? NaN)} V.`,
      })),
  ),
  generator(
    {
      id: 'ac-starter-unknown',
      severity: 'note',
      reads: ['acSources.generator.starter', 'acSources.generator.startLoadId'],
      when: 'a generator’s starter is not entered',
      why: 'Its start is judged with a typical starter on the engine’s start battery.',
      todo: 'Enter its battery and the amps it cranks with: AC, sources.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.data,
    },
    (g) =>
      when(g.start?.typical === true, () => ({
        title: `its starter is not entered: ${round3(g.start?.starterA ?? 0)} A are taken`,
      })),
  ),
  {
    id: 'ac-start-lockout',
    about: 'AC source',
    severity: 'fix',
    reads: ['acSources.generator.startLoadId', 'circuits.devices'],
    when: 'a generator’s remote start has nothing in line that can be opened and kept open',
    why: 'It starts while somebody has a hand in its belt.',
    todo: 'An isolator or a latching stop button in its control circuit, at the set.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.acSources.flatMap((s) => {
        const circuit = servingOf(design.circuits).loads.get(s.generator?.startLoadId ?? '');
        return circuit && !circuit.devices.some((d) => LOCKS_OUT.has(d.kind))
          ? [{ id: s.id, title: 'nothing locks its remote start out' }]
          : [];
      }),
  },
];
