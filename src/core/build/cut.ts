import type { School } from '../rules';

/** What an end of a piece lands on. node: of the posts and bars of the main side; null: none of them. */
export interface Where {
  readonly name: string;
  readonly node: string | null;
}

/** One piece of one conductor, or of one cable, cut to length. */
export interface Cut {
  /** The same while what it belongs to stands: what was cut and made of it is noted by it. */
  readonly id: string;
  readonly circuitId: string;
  readonly no: string;
  readonly serves: string;
  readonly polarity: '+' | '−' | 'earth' | 'cable';
  /** As it is bought: the cores of a cable before it. */
  readonly size: string;
  readonly cores: number;
  /** Of a core. */
  readonly school: School;
  readonly conductor: string;
  readonly odMm: number;
  readonly massKgPerKm: number;
  readonly areaMm2: number;
  readonly colour: string;
  readonly lengthM: number;
  readonly taped: boolean;
  /** Slack within an estimated length, m; none where it was taped. */
  readonly slackM: number;
  /** More than the tape says, where a panel it lands on opens, m. */
  readonly openM: number;
  readonly from: Where;
  readonly to: Where;
  readonly fromEnd: string;
  readonly toEnd: string;
  readonly label: string;
  /** What parts it has no place yet, in words: it is not cut before. '': nothing. */
  readonly unplaced: string;
  /** How its cores are made up, and which side of a breaker it lands on; '': nothing to say. */
  readonly note: string;
}
