import fc from 'fast-check';
import { WHENS } from './charging';
import { FEEDERS, parseSocket, showSocket, UNKNOWN_SOCKET } from './socket';

describe('a socket as a person writes it', () => {
  it('is read in any order, and nothing known is a socket too', () => {
    expect(parseSocket('polarised, contacts 30 A; in 20')).toEqual({
      ...UNKNOWN_SOCKET,
      inA: 20,
      contactsA: 30,
      oneWay: true,
    });
    expect(parseSocket('nothing in; live plug; not polarised')).toEqual({ ...UNKNOWN_SOCKET, inA: 0, liveHalf: 'plug', oneWay: false });
    expect(parseSocket('in 7.5A from panel 5h by day; live socket')).toEqual({
      ...UNKNOWN_SOCKET,
      inA: 7.5,
      feeder: 'panel',
      inH: 5,
      inWhen: 'by day',
      liveHalf: 'socket',
    });
    expect(parseSocket('in from charger')).toEqual({ ...UNKNOWN_SOCKET, feeder: 'charger' });
    expect(parseSocket('')).toEqual(UNKNOWN_SOCKET);
  });
  it('that is not understood is refused', () => {
    for (const text of ['twenty', 'in 20 V', 'in 9000 A', 'live half', 'in', 'nothing in 5 A', 'in 5 A from sun', 'in 5 A 30 h'])
      expect(parseSocket(text)).toBeNull();
  });
  it('reads back as it was shown', () => {
    const any = fc.record({
      inA: fc.constantFrom(null, 0, 7.5, 30),
      contactsA: fc.constantFrom(null, 0.5, 30),
      liveHalf: fc.constantFrom(null, 'socket' as const, 'plug' as const),
      oneWay: fc.constantFrom(null, true, false),
      feeder: fc.constantFrom(null, ...FEEDERS),
      inH: fc.constantFrom(null, 0, 4.5, 24),
      inWhen: fc.constantFrom(null, ...WHENS),
    });
    fc.assert(fc.property(any, (s) => expect(parseSocket(showSocket(s))).toEqual(s)));
  });
});
