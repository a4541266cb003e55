/** Conductor colours by scheme. A boat has one scheme; what is found in another colour is recorded and flagged, never assumed. */

export type ColourScheme = 'north-american' | 'international';
/** What a DC positive serves, where a scheme gives that service a colour of its own. */
export type Service = 'navigation' | 'lights' | 'pump' | 'blower' | 'other';

const NORTH_AMERICAN: Readonly<Record<Service, string>> = {
  navigation: 'dark grey',
  lights: 'dark blue',
  pump: 'brown',
  blower: 'brown with yellow stripe',
  other: 'red',
};

/** Colour of the positive conductor. With function colours off, or in the international scheme, positives are red. */
export const positiveColour = (scheme: ColourScheme, service: Service, functionColours: boolean): string =>
  scheme === 'north-american' && functionColours ? NORTH_AMERICAN[service] : 'red';

/** What a small lead is for, where a scheme gives that a colour of its own. */
const SMALL_NORTH_AMERICAN = {
  sense: 'red',
  excitation: 'purple',
  'charge lamp': 'brown',
  tachometer: 'dark grey',
  'gauge supply': 'purple',
} as const;

/** Colour of a small lead. With function colours off, or in the international scheme, red: told apart by its labels. */
export const smallColour = (scheme: ColourScheme, purpose: string, functionColours: boolean): string =>
  scheme === 'north-american' && functionColours ? (SMALL_NORTH_AMERICAN[purpose as keyof typeof SMALL_NORTH_AMERICAN] ?? 'red') : 'red';

/** DC negative: yellow keeps it apart from the AC live where that is black; black is the other school. */
export type NegativeColour = 'yellow' | 'black';

/** AC conductors by scheme: live (the second leg of a split service after it), neutral, earth. */
export const AC_COLOURS: Readonly<
  Record<ColourScheme, { readonly live: readonly string[]; readonly neutral: string; readonly earth: string }>
> = {
  'north-american': { live: ['black', 'red'], neutral: 'white', earth: 'green' },
  international: { live: ['brown'], neutral: 'light blue', earth: 'green with yellow stripe' },
};

/** Bonding and DC earth are green in both schemes; green with a yellow stripe is taken too. */
export const EARTH_COLOUR = 'green';
