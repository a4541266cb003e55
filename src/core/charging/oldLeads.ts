/** What becomes of the leads that come off an alternator when another takes its place. */
import type { Design, SmallLead, Source } from '../design';

export interface OldLead {
  readonly name: string;
  /** What becomes of it, why, and what is done at the engine. */
  readonly fate: 'keep' | 'test and keep' | 'cap and label';
  readonly why: string;
}

/** Every lead on the machine that comes off: its output, and each small one; what has no use on the new one is insulated, capped and labelled. */
export function oldLeads(design: Design, was: Source, becomes: Source): OldLead[] {
  const [a, b] = [was.alternator, becomes.alternator];
  if (!a || !b) return [];
  const output = becomes.ratedA > was.ratedA;
  const uses: Readonly<Record<SmallLead['purpose'], readonly [boolean, string]>> = {
    sense: [b.excitation !== 'one-wire', 'it senses at its own post'],
    excitation: [b.excitation !== 'one-wire', 'it wakes by itself'],
    tachometer: [b.tacho, 'it gives no signal of its speed'],
    temperature: [true, ''],
    data: [true, ''],
    'charge lamp': [b.excitation !== 'one-wire', 'the warning lamp stays dark with it'],
    'gauge supply': [true, ''],
  };
  return [
    {
      name: `${was.name}, output`,
      fate: output ? 'test and keep' : 'keep',
      why: output
        ? `it carries ${becomes.ratedA} A instead of ${was.ratedA} A: heavier where the tests below say so`
        : 'it carries no more than now',
    },
    ...design.smallLeads
      .filter((l) => l.sourceId === was.id)
      .map((l): OldLead => {
        const [used, not] = uses[l.purpose];
        return used
          ? { name: l.name, fate: 'test and keep', why: 'measured from end to end, its terminal made new' }
          : { name: l.name, fate: 'cap and label', why: `${not}: insulated at both ends, labelled “not in use”, on the list` };
      }),
  ];
}
