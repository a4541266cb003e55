import fc from 'fast-check';
import { parseSocket, showSocket, UNKNOWN_SOCKET } from './socket';

describe('a socket as a person writes it', () => {
  it('is read in any order, and nothing known is a socket too', () => {
    expect(parseSocket('polarised, contacts 30 A; in 20')).toEqual({ inA: 20, contactsA: 30, liveHalf: null, oneWay: true });
    expect(parseSocket('nothing in; live plug; not polarised')).toEqual({ inA: 0, contactsA: null, liveHalf: 'plug', oneWay: false });
    expect(parseSocket('')).toEqual(UNKNOWN_SOCKET);
  });
  it('that is not understood is refused', () => {
    for (const text of ['twenty', 'in 20 V', 'in 9000 A', 'live half']) expect(parseSocket(text)).toBeNull();
  });
  it('reads back as it was shown', () => {
    const any = fc.record({
      inA: fc.constantFrom(null, 0, 7.5, 30),
      contactsA: fc.constantFrom(null, 0.5, 30),
      liveHalf: fc.constantFrom(null, 'socket' as const, 'plug' as const),
      oneWay: fc.constantFrom(null, true, false),
    });
    fc.assert(fc.property(any, (s) => expect(parseSocket(showSocket(s))).toEqual(s)));
  });
});
