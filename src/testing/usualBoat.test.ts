/** Boats somebody might build, everything proposed: what no practitioner would sign is not there. */
import { analyse } from '@/core';
import { chosenTogether } from '@/core/analysis';
import { applyEdit } from '@/core/design';
import { CONDUCTORS } from '@/core/rules';
import { usualBoat, withProposals } from './usualBoat';

const LIGHT_A = 15;
/** 16 mm2 and 6 AWG. */
const HEAVY_MM2 = 16.1;

describe.each(Array.from({ length: 24 }, (_, i) => i + 1))('usual boat %d', (seed) => {
  const design = usualBoat(seed);
  const { circuits, findings } = analyse(design);
  const feeds = new Set(design.circuits.filter((c) => c.taps.some((t) => t.serves.kind === 'panel')).map((c) => c.id));

  test('no light load on heavy cable, unless heat, its device, its maker or a far short asks for it', () => {
    const heavy = circuits.filter((c) => {
      const { ladder, state } = c.own;
      const least = ladder.rungs.filter((r) => r.applies && ['ampacity', 'protection', 'maker', 'fault'].includes(r.id));
      const asked = Math.max(...least.map((r) => CONDUCTORS[ladder.school].find((s) => s.size === r.smallest)?.areaMm2 ?? 0));
      return !feeds.has(c.id) && c.workingA <= LIGHT_A && state.areaMm2 > HEAVY_MM2 && asked <= HEAVY_MM2;
    });
    expect(heavy.map((c) => `${c.name}: ${c.workingA.toFixed(1)} A on ${c.own.ladder.chosen.size}`)).toEqual([]);
  });
  test('every conflict of a device is a finding', () => {
    const conflicts = circuits.filter((c) => c.own.protection.conflict !== null).map((c) => c.id);
    const told = (id: string) => findings.some((f) => f.severity === 'stop' && (f.id.endsWith(`:${id}`) || f.rule === 'panel-family'));
    expect(conflicts.filter((id) => !told(id))).toEqual([]);
  });
  test('with shared parts sized together every whole path holds, and asked again nothing changes', () => {
    const sized = applyEdit(design, { ops: [...chosenTogether(design).ops] });
    if (!sized.ok) throw new Error('the edits do not apply');
    expect(analyse(sized.design).findings.filter((f) => f.rule === 'path-drop')).toEqual([]);
    expect(chosenTogether(sized.design).ops).toEqual([]);
  });
  test('proposed twice is proposed once', () => {
    let n = 0;
    expect(withProposals(design, (prefix) => `${prefix}again${++n}`)).toEqual(design);
  });
});
