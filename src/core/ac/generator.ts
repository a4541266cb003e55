/** Motors started on a generator: how far the volts dip, and in which order to start (docs/methods.md, M12). */

/** Transient reactance of a small set, per unit: typical where its maker does not say. */
export const TYPICAL_XD = 0.25;
/** Dip allowed with lights or electronics on, and with motors alone. */
export const DIP_WITH_LIGHTS = 0.15;
export const DIP_MOTORS_ONLY = 0.3;

/** Part of its volts a generator loses as a motor starts: x / (1 + x), x = X'd S_start / S_gen. NaN without a rating. */
export function startDip(startKva: number, generatorKva: number, xd: number = TYPICAL_XD): number {
  if (!(generatorKva > 0) || !(startKva >= 0) || !(xd >= 0)) return NaN;
  const x = (xd * startKva) / generatorKva;
  return x / (1 + x);
}

export interface Motor {
  readonly id: string;
  readonly startKva: number;
  readonly runsKva: number;
}

export interface MotorStart {
  readonly id: string;
  readonly dip: number;
  /** Running already when it starts, kVA. */
  readonly besidesKva: number;
  readonly passes: boolean;
  /** What decided: its maker's largest start, or the dip. */
  readonly by: 'maker' | 'dip';
}

/**
 * The largest start first, while least runs besides. A start passes where the dip is within what is allowed and what runs then, it included,
 * is within the rating. Where its maker says what start it bears, that decides instead of the dip. @param lightsOn lights or electronics hang on the generator while motors start.
 */
export function startOrder(
  motors: readonly Motor[],
  generatorKva: number,
  lightsOn: boolean,
  xd: number = TYPICAL_XD,
  makersKva: number | null = null,
): MotorStart[] {
  const most = lightsOn ? DIP_WITH_LIGHTS : DIP_MOTORS_ONLY;
  let besidesKva = 0;
  return [...motors]
    .sort((a, b) => b.startKva - a.startKva)
    .map((m): MotorStart => {
      const dip = startDip(m.startKva, generatorKva, xd);
      const bears = makersKva === null ? dip <= most : m.startKva <= makersKva;
      const start: MotorStart = {
        id: m.id,
        dip,
        besidesKva,
        passes: bears && besidesKva + m.runsKva <= generatorKva,
        by: makersKva === null ? 'dip' : 'maker',
      };
      besidesKva += m.runsKva;
      return start;
    });
}
