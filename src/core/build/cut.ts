/** One piece of one conductor, or of one cable, cut to length. */
export interface Cut {
  readonly circuitId: string;
  readonly no: string;
  readonly serves: string;
  readonly polarity: '+' | '−' | 'earth' | 'cable';
  /** As it is bought: the cores of a cable before it. */
  readonly size: string;
  readonly cores: number;
  readonly massKgPerKm: number;
  readonly areaMm2: number;
  readonly colour: string;
  readonly lengthM: number;
  readonly taped: boolean;
  readonly fromEnd: string;
  readonly toEnd: string;
  readonly label: string;
  /** How its cores are made up, and which side of a breaker it lands on; '': nothing to say. */
  readonly note: string;
}
