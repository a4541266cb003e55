/** Stage 1: the batteries, and DC closed one thing after another. */
import { bankSource, chemistryOf } from '../../bank';
import { type Design, madeForV, rowOf } from '../../design';
import { show } from '../../quantity';
import { bandOf, even, meter } from '../band';
import { bankBehind } from '../bankBehind';
import { type Conditions, emf, line, type TestLine } from '../line';

export function energised(design: Design, given: Conditions): TestLine[] {
  return [
    ...design.banks.map((b) => {
      const volts = emf(design, b.id, given);
      const times = bankSource(b).nominalV / 12;
      return line(1, {
        id: `rest.${b.id}`,
        what: `rest volts of ${b.name}`,
        state: 'full, four hours at rest, its posts off',
        probes: `post to post of ${b.name}`,
        unit: 'V',
        band: bandOf(volts, [even('charge and rest', 0.1 * times), meter(volts, 0.01)]),
        working:
          given.restV[b.id] === undefined ? `a full ${chemistryOf(b).name} at ${show(25, 'C', design.boat)}, typical` : 'as read before',
        outside: 'Charge and rest it first; a block apart from its neighbours is weak.',
      });
    }),
    ...design.banks
      .filter((b) => b.strings > 1)
      .map((b) => {
        const times = bankSource(b).nominalV / 12;
        const most = (b.chemistry === 'lfp' ? 0.05 : 0.1) * times;
        return line(1, {
          id: `strings.${b.id}`,
          what: `strings of ${b.name} against each other, before they are joined`,
          state: 'each full, rested, not yet joined',
          probes: 'post of one string to the same post of the next',
          unit: 'V',
          limit: { least: null, most },
          working: `within ${most.toFixed(2)} V, then joined through a lamp or a resistor`,
          hazard: 'Unlike batteries drive hundreds of amps into each other.',
          outside: 'Charge each alone until they agree.',
        });
      }),
    line(1, {
      id: 'first-closing',
      what: 'the first closing through a fuse of 5 to 10 A, or a lamp',
      state: 'every switch and breaker open; gauge’s sense fuse in after both shunt posts',
      probes: 'across the open contact: volts and polarity before it is closed',
      unit: 'seen',
      outside: 'It blows or the lamp lights: something draws that should not. Open again.',
    }),
    ...design.gauges
      .filter((g) => g.kind === 'counting')
      .map((g) =>
        line(1, {
          id: `zero.${g.id}`,
          what: `zero of ${g.name}`,
          state: 'nothing flows',
          probes: 'the gauge itself',
          unit: 'A',
          band: bandOf(0, [even('its step', Math.max(g.stepA, 0.05))]),
          working: 'then a known lamp must read minus, and agree with a clamp',
          outside: 'Set its zero; a wrong sign: its sense leads are crossed.',
        }),
      ),
    ...design.circuits
      .filter((c) => c.taps.some((t) => t.serves.kind === 'panel'))
      .map((c) =>
        line(1, {
          id: `polarity.${c.id}`,
          what: `polarity and volts of ${`${c.no} ${c.name}`.trim()}`,
          state: 'its device closed, every way of what it feeds open',
          probes: `positive to negative of ${c.taps.map((t) => rowOf(design.panels, t.serves.id)?.name ?? '').join(', ')}`,
          unit: 'V',
          band: bandOf(emf(design, bankBehind(design, c), given), [
            even('charge and rest', 0.2 * (madeForV(design.boat.systemV) / 12)),
            even('meter', 0.1),
          ]),
          outside: 'Open it again: crossed, or a joint is not made.',
        }),
      ),
  ];
}
