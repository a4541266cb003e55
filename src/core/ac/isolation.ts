/** The steps before anybody touches the AC side of this boat, made from what is aboard (practice: isolate, lock, prove). */
import { servingOf } from '../topology';
import { type Design, rowOf } from '../design';

import type { AcParts } from './parts';
export interface IsolationStep {
  readonly id: string;
  readonly do: string;
  readonly why: string;
}

/** In order. Every source aboard has its own step; the proof comes last and names where to measure. */
export function isolationSteps(design: AcParts & Pick<Design, 'loads' | 'circuits'>): IsolationStep[] {
  const steps: IsolationStep[] = [];
  const add = (id: string, what: string, why: string) => steps.push({ id, do: what, why });
  add(
    'hands',
    'Rings, watch and chain off. Dry hands, dry feet, dry tools. Somebody aboard who knows where the shore lead is.',
    'Shock and burns.',
  );
  const by = (kind: 'shore' | 'generator' | 'inverter') => design.acSources.filter((s) => s.kind === kind);
  for (const s of by('generator'))
    add(
      `generator ${s.id}`,
      `${s.name}: stopped, its start switch locked off and its start battery's disconnect open. Tag both with your name.`,
      'An automatic start makes the panel live while you work on it.',
    );
  for (const s of by('shore')) {
    add(`off ${s.id}`, `${s.name}: main breaker aboard off, then the pedestal's breaker off.`, 'A plug drawn under load burns its pins.');
    add(
      `lead ${s.id}`,
      `${s.name}: lead out at the pedestal first, then out of the inlet. Keep the plug where you can see it, or lock it in a bag.`,
      'A lead left in one end is a live pin at the other. Nobody may plug it in behind your back.',
    );
  }
  for (const s of by('inverter')) {
    const row = rowOf(design.loads, s.inverter?.loadId);
    const circuit = servingOf(design.circuits).loads.get(row?.id ?? '');
    const where = circuit ? `on circuit ${circuit.no} ${circuit.name}` : 'in its DC lead';
    add(
      `inverter ${s.id}`,
      `${s.name}: off at its own switch, then its DC disconnect ${where} open, locked and tagged.`,
      s.inverter?.rest === 'sleeps' || s.inverter?.sleepW != null
        ? 'Asleep it looks dead to every tester and wakes when touched.'
        : 'It makes mains volts from the battery whatever the shore lead does.',
    );
    add(
      `capacitors ${s.id}`,
      `${s.name}: wait five minutes, or as long as its maker says, and see that the volts on its DC posts have gone.`,
      'Its capacitors hold enough to burn.',
    );
  }
  for (const s of design.sources.filter((x) => x.kind === 'portable'))
    add(`portable ${s.id}`, `${s.name}: unplugged and away from the boat.`, 'Whatever can be plugged in will be.');
  for (const p of design.acPanels.filter((x) => x.transfer !== 'none'))
    add(
      `transfer ${p.id}`,
      `${p.name}: transfer to off${p.transfer === 'relay' ? ', its control disconnected' : ''}.`,
      'One more break, and one that a person sees.',
    );
  const places = design.acPanels.map((p) => p.name);
  add(
    'prove',
    `Prove the tester on a known live supply. Then at ${places.length > 0 ? places.join(', ') : 'every AC panel'}: live to neutral, live to earth, neutral to earth${design.boat.acRegion === '120/240 V' ? ', leg to leg' : ''}. Then prove the tester again.`,
    'A dead tester finds everything dead.',
  );
  add(
    'back',
    'Back in service in the reverse order. Before the lead goes in: covers on, polarity and earth tested, leakage trip pressed.',
    'What was off for safety is on for somebody else.',
  );
  return steps;
}

export const ISOLATION_CAUTION =
  'AC aboard kills, also on a wet dock beside the boat. Local code, the equipment maker’s instructions and licensed practice come first; in many places only a licensed person may work on it.';
