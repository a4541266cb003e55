/** An inverter-charger has one pair of DC cables: no second pair is proposed, and none is missed. */
import { analyse } from '../analysis';
import { addInverterChargerOps, applyEdit, blankAcSource, blankSource, type Design, idsFor } from '../design';
import { bareBoat } from '../design/testing';
import { proposeMainSide } from './mainSide';

const bare = bareBoat('metric');
const made = applyEdit(bare, {
  ops: addInverterChargerOps(bare, blankAcSource('as', 'inverter', bare.boat), idsFor(bare)).flatMap((op) => op ?? []),
});
if (!made.ok) throw new Error('refused');
const boat: Design = { ...made.design, sources: [...made.design.sources, blankSource('other', 'shore charger', 12, 'house')] };
const own = boat.sources[0]?.id ?? '';

test('before its circuit is there it is told of its row alone, and cables are proposed for the other charger only', () => {
  const { findings } = analyse(boat);
  const of = (id: string) => findings.filter((f) => f.about.id === id).map((f) => f.rule);
  expect(of(boat.loads[0]?.id ?? '')).toContain('no-circuit');
  expect(of(own)).not.toContain('source-unwired');
  expect(of('other')).toContain('source-unwired');
  const { leads } = proposeMainSide(boat, idsFor(boat));
  const on = (id: string) => leads.filter((l) => [l.from, l.to].some((e) => e.kind === 'source' && e.id === id)).length;
  expect([on(own), on('other')]).toEqual([0, 2]);
});
