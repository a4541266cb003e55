import { analyse } from '../analysis';
import { equalising, bankSource } from '../bank';
import { blankTie, type Bank, blankSource, type Design } from '../design';
import { bareBoat } from '../design/testing';
import { proposeMainSide } from '../propose';
import { runStudy } from '../network';

const bank = (d: Design, change: Partial<Bank>): Bank => ({ ...(d.banks[0] as Bank), ...change });

/** House and start battery, a selector between, an alternator through it, and the main side proposed. */
function boat(tie: Partial<Design['joins'][number]> = {}): Design {
  const bare = bareBoat('metric');
  const banks = [
    bank(bare, { chemistry: 'agm', blockAh: 200, strings: 1 }),
    bank(bare, { id: 'start', name: 'Start', job: 'start', chemistry: 'agm', blockAh: 100, strings: 1, cca: 700 }),
  ];
  const joins = [
    { ...blankTie('j', 'selector', 12), firstId: 'house', secondId: 'start', running: 'first' as const, stopped: 'first' as const, ...tie },
  ];
  const alternator = { ...blankSource('alt', 'alternator', 12, 'house'), joinId: 'j' };
  const d: Design = { ...bare, banks, joins, sources: [alternator], engine: { ...bare.engine, startBankId: 'start' } };
  let n = 0;
  const { bars, leads } = proposeMainSide(d, (prefix) => `${prefix}${++n}`);
  return { ...d, bars, leads };
}

const found = (d: Design, rule: string) => analyse(d).findings.filter((f) => f.rule === rule);

describe('banks a selector joins', () => {
  it('sends the volts between two banks over the resistance of both and of what is between: 3 + 6 + 1 mΩ', () => {
    const d = boat();
    const [house, start] = d.banks.map((b) => bankSource(b));
    if (!house || !start) throw new Error('two banks');
    const flow = equalising({ ...house, ohm: 0.003 }, 1, { ...start, ohm: 0.006 }, 0.1, 0.001);
    expect(flow.amps).toBeCloseTo(flow.apartV / 0.01, 9);
    expect(flow.apartV).toBeGreaterThan(0.8);
    expect(flow.apartV).toBeLessThan(1.4);
  });

  it('ends what charges on the common post, and lets it reach the bank the selector is turned to', () => {
    const d = boat();
    const output = d.leads.find((l) => l.to.kind === 'source' && l.to.id === 'alt');
    expect(output?.from).toEqual({ kind: 'join common', id: 'j' });
    const a = analyse(d);
    expect(a.paths.alt).toBeGreaterThan(0);
    const study = { id: 's', name: 's', soc: 0.6, engineRpm: 2200, shore: false, cranking: false, loads: {} };
    const at = (position: 'first' | 'second' | 'off') => {
      const { nodes } = runStudy({ ...d, joins: d.joins.map((j) => ({ ...j, running: position })) }, a, study);
      return { house: nodes['bank house+'] ?? NaN, start: nodes['bank start+'] ?? NaN };
    };
    expect(at('first').house).toBeGreaterThan(at('second').house + 0.05);
    expect(at('second').start).toBeGreaterThan(at('first').start + 0.05);
    expect(at('off').house).toBeLessThan(at('first').house - 0.05);
  });

  it('names the bank that is drained on both with the engine stopped', () => {
    expect(found(boat(), 'both-drains')).toEqual([]);
    expect(found(boat({ stopped: 'both' }), 'both-drains').map((f) => f.title)).toEqual([
      'on both with the engine stopped: Start is emptied with the house',
    ]);
  });

  it('finds the device that opens as the house helps a flat start battery', () => {
    const d = boat({ ratedA: 300 });
    const small = {
      ...d,
      leads: d.leads.map((l) =>
        l.from.kind === 'bank' && l.to.kind === 'join first' ? { ...l, ratingA: 60, family: 'class-T' as const } : l,
      ),
    };
    expect(found(small, 'emergency').map((f) => f.title)).toContain(
      'the 60 A device of Bank selector, first opens as House bank starts the engine',
    );
    const large = {
      ...d,
      leads: d.leads.map((l) => (l.to.kind.startsWith('join') ? { ...l, ratingA: 400, family: 'class-T' as const } : l)),
    };
    expect(found(large, 'emergency')).toEqual([]);
    expect(found(boat({ ratedA: 100 }), 'emergency').map((f) => f.title)).toContain('350 A of a start pass contacts rated for 100 A');
  });

  it('tells what the bank that is not sensed gets, and what the other choice would bring', () => {
    const d = boat({ running: 'both' });
    expect(found(d, 'sensed-other')).toEqual([]);
    const gel = { ...d, banks: d.banks.map((b) => (b.id === 'start' ? { ...b, chemistry: 'gel' as const } : b)) };
    const [told] = found(gel, 'sensed-other');
    expect(told?.title).toBe('Start gets 14.40 V from Alternator and wants 14.10 V');
    expect(told?.why).toContain('Sensed at Start instead, House bank would get 14.10 V and want 14.40 V');
  });
});

describe('a bank for one job, elsewhere', () => {
  const far = (change: Partial<Bank> = {}, source: Partial<Design['sources'][number]> = {}): Design => {
    const bare = bareBoat('metric');
    const banks = [
      bank(bare, { chemistry: 'agm', blockAh: 200 }),
      bank(bare, { id: 'bow', name: 'Thruster bank', job: 'own', placeId: 'bow', chemistry: 'agm', blockAh: 80, strings: 1, ...change }),
    ];
    const dcdc = { ...blankSource('dc', 'DC–DC', 12, 'bow'), name: 'DC–DC', fromBankId: 'house', ...source };
    const d: Design = { ...bare, banks, sources: [dcdc] };
    let n = 0;
    const { bars, leads } = proposeMainSide(d, (prefix) => `${prefix}${++n}`);
    return { ...d, bars, leads };
  };
  const negatives = (d: Design) => d.leads.filter((l) => l.rail === 'negative').map((l) => l.name);

  it('has its negative on a bar of its own, and one cable to the common one for what charges it', () => {
    const d = far();
    expect(negatives(d)).toEqual(
      expect.arrayContaining(['Thruster bank negative', 'Thruster bank to the common negative', 'DC–DC negative']),
    );
    const tie = d.leads.findIndex((l) => l.name === 'Thruster bank to the common negative');
    expect(analyse(d).leads[tie]?.carries.amps).toBe(30);
    expect(found(d, 'isolated-tied')).toEqual([]);
  });

  it('isolated it has none, and wants a charger that is isolated too', () => {
    const open = far({ isolated: true });
    expect(negatives(open)).not.toContain('Thruster bank to the common negative');
    expect(found(open, 'isolated-charged').map((f) => f.title)).toEqual(['is isolated, and DC–DC tie it to the rest']);
    const blank = blankSource('dc', 'DC–DC', 12, 'bow').dcdc;
    const apart = far({ isolated: true }, { dcdc: blank && { ...blank, isolated: true } });
    expect(negatives(apart)).toEqual(expect.arrayContaining(['DC–DC output negative', 'DC–DC input negative']));
    expect([...found(apart, 'isolated-charged'), ...found(apart, 'isolated-tied')]).toEqual([]);
    const tied = far();
    const said = { ...tied, banks: tied.banks.map((b) => (b.id === 'bow' ? { ...b, isolated: true } : b)) };
    expect(found(said, 'isolated-tied').map((f) => f.about.id)).toEqual(['bow']);
  });
});
