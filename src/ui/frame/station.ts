/** A station as the frame needs it: the application hands them in, for the frame knows none by name. */
export interface Station {
  readonly id: string;
  readonly name: string;
  /** Second key after G. */
  readonly key: string;
}
