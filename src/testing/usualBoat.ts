/** Boats somebody might build: a hull, a bank to match, appliances of the list, and everything proposed. The same seed gives the same boat. */
import { APPLIANCES, loadFrom } from '@/core';
import { addRows, applyEdit, blankBank, blankDesign, type Design, type Edit } from '@/core/design';
import { random } from '@/core/solve';
import { proposedRows } from '@/core/propose';

const CHEMISTRIES = ['flooded', 'agm', 'gel', 'lfp'] as const;

/** What "propose" adds of each part, until nothing is missing. @param freshId makes ids no row has. */
export function withProposals(design: Design, freshId: (prefix: string) => string): Design {
  return (['circuits', 'mainSide', 'ac', 'studies'] as const).reduce((d, kind) => {
    const edit: Edit = { id: `propose-${kind}`, label: 'propose', ops: addRows(d, proposedRows(d, kind, freshId)) };
    const applied = applyEdit(d, edit);
    return applied.ok ? applied.design : d;
  }, design);
}

export function usualBoat(seed: number): Design {
  const dice = random(seed, 0);
  const whole = (least: number, most: number) => least + Math.floor(dice.even() * (most - least + 1));
  const of = <T>(xs: readonly T[]): T => xs[whole(0, xs.length - 1)] as T;
  const lengthM = 6 + 12 * dice.even();
  const systemV = of([12, 12, 24, 48] as const);
  const blank = blankDesign(`Usual boat ${seed}`, of(['awg', 'metric'] as const), lengthM, lengthM * 0.32, systemV);
  const bank = { ...blankBank('house', systemV, 'saloon'), chemistry: of(CHEMISTRIES), strings: whole(1, 4) };
  const places = new Set(blank.places.map((p) => p.id));
  const loads = Array.from({ length: whole(5, 60) }, (_, i) => loadFrom(of(APPLIANCES), `l${i}`, systemV, places));
  let n = 0;
  return withProposals({ ...blank, banks: [bank], loads }, (prefix) => `${prefix}u${++n}`);
}
