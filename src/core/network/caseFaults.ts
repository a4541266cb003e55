/** A DC positive that touches the case of what it feeds: whether its device opens before the earth lead burns (docs/methods.md, M12, protective earth). */
import type { CircuitResult } from '../circuit';
import { type Design, type Study, rowOf } from '../design';
import { prepare, shortsOf } from '../solve';
import { type Analysed, systemOf } from './system';
import { adiabaticK, finalTempC, slowestOpeningS, withstandS } from '../protection';
import { findFamily } from '../rules';
import { caseNode, servingOf } from '../topology';

export interface CaseFault {
  readonly leadId: string;
  readonly loadId: string;
  readonly circuitId: string;
  /** Current of the fault, half charged, conductors as warm as they work, A; 0 where the case has no way back. */
  readonly amps: number;
  /** Slowest opening of the device, s, Infinity: may never; and how long the earth lead bears it. */
  readonly opensS: number;
  readonly bearsS: number;
  readonly verdict: 'clears' | 'the earth burns first' | 'may never clear';
}

/** Longest a fault may stand where the lead would bear it, s. */
const WITHIN_S = 5;

const NOTHING_ON: Study = { id: 'case', name: 'case', soc: 0.5, engineRpm: 0, shore: false, cranking: false, loads: {} };

/** @param analysed results of this process, not copies. One for each case earth of a load that is wired. */
export function caseFaults(design: Design, analysed: Analysed): CaseFault[] {
  const earths = design.leads.flatMap((lead, i) => {
    const end = [lead.from, lead.to].find((e) => e.kind === 'case');
    const result = analysed.leads[i];
    return end && result && lead.rail === 'earth' ? [{ lead, result, loadId: end.id }] : [];
  });
  if (earths.length === 0) return [];
  const p = prepare(systemOf(design, analysed, NOTHING_ON).network);
  const found = earths.flatMap(({ lead, result, loadId }) => {
    const circuit = servingOf(design.circuits).loads.get(loadId);
    const tap = circuit?.taps.find((t) => t.serves.id === loadId);
    const own = rowOf(analysed.circuits, circuit?.id);
    return circuit && tap && own
      ? [{ lead, result, loadId, own, ownDevices: circuit.pin.ownDevices, plus: `${circuit.id}/${tap.id}+` }]
      : [];
  });
  const shorts = shortsOf(
    p,
    found.map((f) => [f.plus, caseNode(f.loadId)] as const),
  );
  return found.map(({ lead, result, loadId, own, ownDevices }, i): CaseFault => {
    const amps = shorts[i]?.amps ?? 0;
    const bearsS =
      amps > 0 ? withstandS(adiabaticK(result.ambientC, finalTempC(design.house.crossLinked)), result.conductor.areaMm2, amps) : Infinity;
    const opensS = opening(own, ownDevices, amps);
    return {
      leadId: lead.id,
      loadId,
      circuitId: own.id,
      amps,
      opensS,
      bearsS,
      verdict: opensS > bearsS ? 'the earth burns first' : opensS > WITHIN_S ? 'may never clear' : 'clears',
    };
  });
}

/** Of several legs with a device each, each opens on its part. */
function opening({ own: { protection, ladder } }: CircuitResult, ownDevices: boolean, amps: number): number {
  const family = findFamily(protection.familyId);
  return protection.missing || !family || amps <= 0
    ? Infinity
    : slowestOpeningS(family, protection.ratingA, ownDevices ? amps / ladder.chosen.legs : amps);
}
