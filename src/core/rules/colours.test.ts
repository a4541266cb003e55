import { colourMeaning, smallColour } from './colours';

describe('what a colour says', () => {
  it.each([
    ['north-american', 'Dark gray', 'positive', 'navigation'],
    ['north-american', 'brown with yellow stripe', 'positive', 'blower'],
    ['north-american', 'black', 'AC', undefined],
    ['north-american', 'yellow', 'negative', undefined],
    ['international', 'brown and blue', 'AC', undefined],
    ['international', 'red / black', 'positive', 'navigation'],
    ['international', 'green', 'earth', undefined],
  ] as const)('%s, %s', (scheme, written, is, service) => {
    const meaning = colourMeaning(scheme, written);
    expect(meaning?.is).toBe(is);
    expect(meaning?.services[0]).toBe(service);
  });

  it('says nothing where the scheme has no such colour', () => {
    expect(colourMeaning('international', 'white')).toBeNull();
    expect(colourMeaning('north-american', '')).toBeNull();
  });

  it('of a small lead goes by what it is for, where the school has colours for that', () => {
    expect(smallColour('north-american', 'excitation', true)).toBe('purple');
    expect(smallColour('north-american', 'excitation', false)).toBe('red');
    expect(smallColour('international', 'excitation', true)).toBe('red');
  });
});
