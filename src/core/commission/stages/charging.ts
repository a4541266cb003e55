/** Stage 4: what charges. */
import { bankSource } from '../../bank';
import { compensatedV } from '../../charging';
import { type Design, rowOf } from '../../design';
import { bandOf, clamp, even, meter } from '../band';
import { type Conditions, line, type TestLine } from '../line';

export function charging(design: Design, given: Conditions): TestLine[] {
  return design.sources
    .filter((s) => s.outputOf === null)
    .flatMap((s) => {
      const bank = rowOf(design.banks, s.bankId);
      const times = bank ? bankSource(bank).nominalV / 12 : design.boat.systemV / 12;
      const volts = compensatedV(s.regulator.absorptionV, s, bank, given.ambientC);
      const alternator = s.kind === 'alternator';
      return [
        ...(s.kind === 'solar' && s.solar
          ? [
              line(4, {
                id: `array.${s.id}`,
                what: `open volts of ${s.name}`,
                state: 'array disconnected from its controller',
                probes: 'positive to negative of the array',
                unit: 'V' as const,
                band: bandOf(s.solar.vocV * s.solar.series, [
                  even('temperature', (Math.abs(s.solar.vocPctPerC) / 100) * 20 * s.solar.vocV * s.solar.series),
                  even('its maker', 0.05 * s.solar.vocV * s.solar.series),
                ]),
                limit: { least: null, most: s.solar.controllerV },
                working: `${s.solar.series} in series of ${s.solar.vocV} V`,
                hazard: 'An array is live whenever there is light: it cannot be switched off, only covered.',
                outside: 'Crossed polarity kills the controller: prove it before it is plugged.',
              }),
            ]
          : []),
        line(4, {
          id: `absorbs.${s.id}`,
          what: `absorption volts of ${s.name}`,
          state: alternator ? 'engine at cruising speed, after half an hour, machine warm' : 'after bulk, amps falling',
          probes: bank ? `at the posts of ${bank.name}` : 'at its bank',
          unit: 'V',
          band: bandOf(volts, [even('regulator', 0.1 * times), meter(volts, 0.01)]),
          working: `set to ${s.regulator.absorptionV.toFixed(2)} V${volts !== s.regulator.absorptionV ? `, ${volts.toFixed(2)} V at ${given.ambientC} °C` : ''}`,
          hazard: alternator ? 'Belt and fan: sleeves and hair. Never open its cable while it turns.' : '',
          outside: 'Sensed elsewhere than thought, a sensor missing, or set otherwise.',
        }),
        line(4, {
          id: `gives.${s.id}`,
          what: `largest amps of ${s.name}`,
          state: alternator
            ? 'engine at cruising speed, bank at 60 % or less, machine hot'
            : s.kind === 'solar'
              ? 'full sun, bank not full'
              : 'bank at 60 % or less',
          probes: 'clamp round its positive',
          unit: 'A',
          band: bandOf(s.ratedA * (alternator && s.alternator ? s.alternator.hotFactor : 1), [
            even(s.kind === 'solar' ? 'sun' : 'its curve', (s.kind === 'solar' ? 0.5 : 0.15) * s.ratedA),
            even('clamp', clamp(s.ratedA)),
          ]),
          working: alternator ? `${s.ratedA} A, hot ${Math.round(100 * (s.alternator?.hotFactor ?? 1))} %` : `${s.ratedA} A as rated`,
          outside: 'Belt, speed, field; or the bank takes no more: read its volts too.',
        }),
      ];
    });
}
