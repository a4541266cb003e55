/** What is put right by moving it, and what stands where its work is. */
import { analyse, remediesOf } from '../analysis';
import type { Design, Load } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { ruleOf } from './table';

const inPlace = (load: Partial<Load>, place: Partial<Design['places'][number]>): Design => {
  const boat = withLoad(bareBoat('metric'), { placeId: 'fore', ...load }, 4);
  return { ...boat, places: boat.places.map((p) => (p.id === 'fore' ? { ...p, ...place } : p)) };
};
const cured = (design: Design, rule: string) => {
  const finding = analyse(design).findings.find((f) => f.rule === rule);
  if (!finding) throw new Error(`no ${rule}`);
  return { ops: ruleOf(finding)?.cure?.(design, finding) ?? null, ways: remediesOf(design, finding).map((r) => r.say), finding };
};

test('a lamp in petrol vapour is moved; a bilge pump, a blower and a windlass are exchanged, never moved', () => {
  expect(cured(inPlace({ name: 'Cabin fan', group: 'comfort' }, { vapour: true }), 'vapour-load').ops).toHaveLength(1);
  for (const [name, group] of [
    ['Lenzpumpe', 'pump'],
    ['Blower', 'blower'],
    ['Anchor windlass', 'deck'],
  ] as const) {
    const { ops, ways } = cured(inPlace({ name, group }, { vapour: true }), 'vapour-load');
    expect(ops).toBeNull();
    expect(ways.filter((w) => w.startsWith('moved'))).toEqual([]);
  }
});
test('a router in the wet is moved; a radar whose code is not entered is asked for it and stays on its mast', () => {
  expect(cured(inPlace({ name: 'Router', group: 'electronics' }, { wet: true }), 'electronics-place').ops).toHaveLength(1);
  const radar = cured(inPlace({ name: 'Radar', group: 'electronics' }, { wet: true }), 'electronics-place');
  expect([radar.finding.severity, radar.ops]).toEqual(['note', null]);
  // Not even one that is made for a dry place.
  expect(cured(inPlace({ name: 'Radar', group: 'electronics', ip: '20' }, { wet: true }), 'electronics-place').ops).toBeNull();
});
test('what was seen of a battery aboard is not set right by a click', () => {
  const boat = bareBoat('metric');
  const loose: Design = { ...boat, banks: boat.banks.map((b) => ({ ...b, mounting: { held: false, covered: true, vented: true } })) };
  expect(cured(loose, 'bank-held').ops).toBeNull();
});
