import { blankSource, type Design } from '../design';
import { bareBoat } from '../design/testing';
import { proposeSmallLeads } from '../propose';
import { cutList } from './cutList';

/** An externally regulated alternator with the leads it wants, at so many volts. */
function listed(systemV: 12 | 24 | 48) {
  const bare = bareBoat('awg');
  const s = blankSource('alt', 'alternator', systemV, 'house');
  const source = {
    ...s,
    alternator: s.alternator && { ...s.alternator, excitation: 'external' as const },
    regulator: { ...s.regulator, sense: 'the bank' as const, sensor: 'on the bank' as const },
  };
  const d: Design = { ...bare, boat: { ...bare.boat, systemV }, sources: [source] };
  let n = 0;
  return cutList({ ...d, ...proposeSmallLeads(d, (p) => `${p}${++n}`) }, []);
}

describe('small leads in the list to cut from', () => {
  it('are one piece each in the colour of what they are for; a sensor is its maker’s and is never cut', () => {
    const { cuts, makers } = listed(12);
    // The bank's own two links aside.
    const leads = cuts.filter((c) => c.serves !== 'House bank');
    expect(leads.map((c) => [c.serves.split(' of ')[0], c.colour])).toEqual([
      ['Sense lead', 'red'],
      ['Excitation', 'purple'],
      ['Tachometer lead', 'dark grey'],
    ]);
    expect(makers.map((m) => m.item)).toEqual([expect.stringMatching(/^Temperature sensor of /)]);
  });

  it('are fused by a blade up to 24 V, and above by what is made for it', () => {
    const fuses = (v: 12 | 24 | 48) => listed(v).protection.map((p) => p.item);
    expect(fuses(24)).toEqual(['in-line blade fuse 3 A', 'in-line blade fuse 10 A']);
    expect(fuses(48)).toEqual(['in-line 10 × 38 cartridge fuse 3 A', 'in-line 10 × 38 cartridge fuse 10 A']);
  });
});
