/** What banks, their boxes, BMS and links, and what joins them give cause to say. */
import type { Design, Join } from '../design/schema';
import { crankIndex } from '../energy/scene';
import { cranking } from '../energy/start';
import { sizeName } from '../quantity';
import { BAD, sharingOf, UNEVEN } from '../network/sharing';
import type { AddAbout, Severity } from './findings';

export function joinFindings(design: Design, join: Join, add: AddAbout): void {
  const [first, second] = [design.banks.find((b) => b.id === join.firstId), design.banks.find((b) => b.id === join.secondId)];
  const say = (rule: string, severity: Severity, title: string, why: string, todo: string) =>
    add(rule, severity, 'join', join.id, title, why, todo);
  if (!first || !second || first.id === second.id)
    return say('join-ends', 'fix', 'does not join two banks', 'It does nothing.', 'Say which two.');
  if (join.kind === 'relay' && join.openV >= join.closeV)
    say('relay-volts', 'fix', 'opens at higher volts than it closes at', 'It chatters.', 'Set the opening volts below the closing.');
  if ((first.chemistry === 'lfp') !== (second.chemistry === 'lfp'))
    say(
      'mixed',
      'stop',
      `joins ${first.name} and ${second.name}, of different chemistries`,
      'Iron phosphate pours into lead-acid, and their settings never agree.',
      'A DC–DC charger between them.',
    );
  if (first.blockV * first.series !== second.blockV * second.series)
    say('join-volts', 'stop', 'joins banks of different volts', 'Thousands of amps flow.', 'A DC–DC converter between them.');
  const through = design.sources.filter((s) => s.joinId === join.id).reduce((sum, s) => sum + s.ratedA, 0);
  if (through > join.ratedA)
    say('join-rating', 'fix', `${through} A go through its ${join.ratedA} A`, 'It overheats.', 'One with a higher rating.');
}

export function bankFindings(design: Design, add: AddAbout): void {
  for (const bank of design.banks) {
    const { sheet, box } = bank;
    if (box && sheet.lengthMm !== null && sheet.widthMm !== null && sheet.heightMm !== null) {
      const blocks = bank.series * bank.strings;
      const fits = fitCount(box, { lengthMm: sheet.lengthMm, widthMm: sheet.widthMm, heightMm: sheet.heightMm });
      if (fits < blocks)
        add(
          'box',
          'fix',
          'bank',
          bank.id,
          `${blocks} blocks, its box takes ${fits}`,
          'Upright, side by side, 10 mm of air between.',
          'A larger box, fewer blocks, or others.',
        );
    }
    if (bank.bms && bank.bms.underV >= bank.bms.overV)
      add(
        'bms-volts',
        'fix',
        'bank',
        bank.id,
        'its BMS opens low above where it opens high',
        'One of the two is wrong.',
        'Read its sheet again.',
      );
    if (bank.chemistry === 'lfp' && bank.bms && !bank.bms.warns)
      add(
        'bms-warns',
        'note',
        'bank',
        bank.id,
        'its BMS opens without warning',
        'Sources should stop before it does.',
        'Take a warning or charge-enable signal to each source, or an alarm.',
      );
  }
  for (const bank of design.banks) {
    // The share does not hang on the current.
    const shared = sharingOf(bank, design.boat.ruleSet, 100);
    if (shared && shared.worstOverMean > UNEVEN)
      add(
        'sharing',
        shared.worstOverMean > BAD ? 'fix' : 'note',
        'bank',
        bank.id,
        `one of its strings gives ${Math.round(100 * shared.worstOverMean)} % of an even share`,
        'It works hardest, ages first, and takes the others with it.',
        shared.sizeWanted
          ? `Links of ${sizeName(design.boat.ruleSet, shared.sizeWanted)}, or its load taken off diagonally: Bank, links.`
          : 'Take its load off diagonally, or by bus bars: Bank, links.',
      );
  }
  const start = design.banks[crankIndex(design)];
  if (!start || !design.sources.some((s) => s.kind === 'alternator')) return;
  const c = cranking(design, start);
  if (!c.passes)
    add(
      'cranking',
      'fix',
      'bank',
      start.id,
      `turns the engine ${c.starts} times at ${design.engine.coldC} °C, ${c.wanted} are wanted`,
      `${c.starterV.toFixed(1)} V at the starter from full, ${c.minV} V needed; good for ${Math.round(c.coldCrankA)} cranking amps, ${c.crankA} asked.`,
      'A larger start bank, a shorter path, or both.',
    );
}

const AIR_MM = 10;

/** Blocks that stand in a box side by side, the better way round; upright, in one layer. */
export function fitCount(
  box: { lengthMm: number; widthMm: number; heightMm: number },
  block: { lengthMm: number; widthMm: number; heightMm: number },
): number {
  if (block.heightMm > box.heightMm) return 0;
  const along = (room: number, size: number) => Math.floor((room + AIR_MM) / (size + AIR_MM));
  return Math.max(
    along(box.lengthMm, block.lengthMm) * along(box.widthMm, block.widthMm),
    along(box.lengthMm, block.widthMm) * along(box.widthMm, block.lengthMm),
  );
}
