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

/** What a colour says to whoever opens a locker: a service, or what it must never be taken for. */
export interface ColourMeaning {
  readonly says: string;
  /** Of a positive: wrong services are untidy; the rest is dangerous. */
  readonly is: 'positive' | 'negative' | 'earth' | 'AC';
  readonly services: readonly Service[];
}

const positive = (says: string, ...services: Service[]): ColourMeaning => ({ says, is: 'positive', services });
const other = (says: string, is: 'negative' | 'earth' | 'AC'): ColourMeaning => ({ says, is, services: [] });

/** Both schools' tables of DC colours with what AC has beside them; small-craft standards, verify. */
const MEANINGS: Readonly<Record<ColourScheme, Readonly<Record<string, ColourMeaning>>>> = {
  'north-american': {
    red: positive('any positive', 'navigation', 'lights', 'pump', 'blower', 'other'),
    yellow: other('DC negative', 'negative'),
    black: other('DC negative, or live AC', 'AC'),
    white: other('AC neutral', 'AC'),
    green: other('bonding', 'earth'),
    'green with yellow stripe': other('bonding or AC earth', 'earth'),
    'yellow with red stripe': positive('the starting circuit', 'other'),
    'brown with yellow stripe': positive('a blower', 'blower'),
    'dark grey': positive('navigation lights or a tachometer', 'navigation'),
    grey: positive('navigation lights or a tachometer', 'navigation'),
    brown: positive('a pump or the charge light', 'pump'),
    orange: positive('an accessory feed', 'other'),
    purple: positive('the ignition or an instrument feed', 'other'),
    'dark blue': positive('cabin and instrument lights', 'lights'),
    blue: positive('cabin and instrument lights', 'lights'),
    'light blue': positive('the oil pressure sender', 'other'),
    tan: positive('the water temperature sender', 'other'),
    pink: positive('the fuel sender', 'other'),
  },
  international: {
    red: positive('any positive', 'navigation', 'lights', 'pump', 'blower', 'other'),
    black: other('DC negative', 'negative'),
    yellow: other('DC negative', 'negative'),
    brown: other('live AC', 'AC'),
    'light blue': other('AC neutral', 'AC'),
    blue: other('AC neutral', 'AC'),
    green: other('bonding', 'earth'),
    'green with yellow stripe': other('earth', 'earth'),
  },
};

/** What a colour as a person wrote it says; null: nothing. Of two cores the first is the positive. */
export function colourMeaning(scheme: ColourScheme, written: string): ColourMeaning | null {
  const first =
    written
      .toLowerCase()
      .split(/\s+and\s+|[,;+/]/)[0]
      ?.trim()
      .replace('gray', 'grey') ?? '';
  return MEANINGS[scheme][first] ?? null;
}

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
