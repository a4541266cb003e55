/** How large a bank the need asks for, as arithmetic (docs/methods.md, M9). */
import { CHEMISTRY_SOURCE } from '../rules';
import { round3, show, type Units, unitOf } from '../quantity';
import type { Sized, SizingNeed } from '../bank';
import type { WorkingLine, WorkingSection } from './types';

/** The arithmetic of one chemistry, line by line. */
export function sizingLines(sized: Sized, asked: SizingNeed, units: Units): WorkingSection {
  const { chemistry, capacityAh } = sized;
  const n = round3;
  const ah = (label: string, value: number, extra: Partial<WorkingLine> = {}): WorkingLine => ({
    label,
    value,
    kind: 'Ah',
    text: show(value, 'Ah', units),
    ...extra,
  });
  const drawnAh = asked.needAh * asked.days;
  const window = chemistry.windowHighSoc - chemistry.windowLowSoc;
  return {
    title: `${chemistry.name}, line by line`,
    lines: [
      ah('drawn without any source', drawnAh, { formula: `${n(asked.needAh)} Ah a day × ${n(asked.days)} days` }),
      ah('counts as, at that rate', drawnAh * sized.rateFactor, {
        formula: `× ${n(sized.rateFactor)}: ${n(asked.needAh / 24)} A on the mean, capacity rated over 20 h, exponent ${n(chemistry.peukert)}`,
        mark: 'typical',
      }),
      ah('from the window', (drawnAh * sized.rateFactor) / window, {
        formula: `÷ ${n(window)}, between ${n(chemistry.windowLowSoc * 100)} and ${n(chemistry.windowHighSoc * 100)} % of charge`,
        mark: 'typical',
        source: CHEMISTRY_SOURCE,
      }),
      ah('capacity asked for', capacityAh ?? Infinity, {
        formula: `÷ ${n(sized.cold)}, at ${show(asked.tempC, 'C', units)}: ${round3((chemistry.leadAcid ? 0.8 : 0.4) / unitOf('dC', units).to(1))} % a ${unitOf('dC', units).name} below ${show(25, 'C', units)}`,
        breaks: capacityAh === null,
      }),
    ],
  };
}
