/** Stage 0: looked at and measured while everything is off. */
import { acCircuits } from '../../ac';
import { type Design, rowOf } from '../../design';
import { bandOf, even } from '../band';
import { line, type TestLine } from '../line';

export function dead(design: Design): TestLine[] {
  const eyes = (id: string, what: string, state: string): TestLine =>
    line(0, {
      id,
      what,
      state,
      probes: 'eyes and hands',
      unit: 'seen',
      outside: 'Put right, and looked at again, before anything is closed.',
    });
  const dc = design.banks.map((b) =>
    line(0, {
      id: `dead.ohms.${b.id}`,
      what: `positive to negative of all that hangs on ${b.name}`,
      state: 'its posts off, capacitors empty, fuses of standing loads out',
      probes: `positive cable to negative cable of ${b.name}, both ways round`,
      unit: 'kΩ',
      limit: { least: 1, most: null },
      working: 'after 30 s; what is always on reads lower: its fuse out',
      hazard: 'Never an insulation tester on a DC circuit: its volts kill electronics.',
      outside: 'Under 0.01 kΩ either way it is a short: stop, find it circuit by circuit.',
    }),
  );
  const hull = design.boat.hull === 'steel' || design.boat.hull === 'aluminium';
  const ac = acCircuits(design);
  // Each school's own figure: what 450 mm comes to in inches nobody asks for.
  const supports = design.boat.lengthUnit === 'ft' ? '18 in' : '450 mm';
  return [
    eyes('dead.rings', 'rings, watch and chain off; everybody aboard told', 'all sources isolated, locked and proved dead'),
    eyes('dead.devices', 'ratings of all devices are those of the list', 'panels open'),
    eyes('dead.torque', 'every stud torqued and marked across, no free end, covers at hand', 'panels open'),
    eyes('dead.support', `supported every ${supports}, no chafe, clear of heat and of what moves`, 'runs in sight'),
    ...dc,
    ...(hull
      ? (['positive', 'negative'] as const).map((pole) =>
          line(0, {
            id: `dead.hull.${pole}`,
            what: `${pole} to the hull`,
            state: 'dead, bond to the engine apart',
            probes: `${pole} bus to bare hull`,
            unit: 'kΩ',
            limit: { least: 10, most: null },
            working: 'typical; verify',
            outside: 'A leak to a metal hull eats it: found before she is afloat.',
          }),
        )
      : []),
    ...ac.flatMap((r) => {
      const name = rowOf(design.acCircuits, r.id)?.name ?? r.id;
      const earthMohm = r.earth.r20OhmPerKm * r.lengthM;
      return [
        line(0, {
          id: `dead.insulation.${r.id}`,
          what: `insulation of AC ${name}`,
          state: 'shore lead out, generator and inverter locked, no DC on; hard-wired electronics disconnected and listed',
          probes: 'live and neutral joined, to protective earth; never live to neutral',
          unit: 'MΩ',
          limit: { least: 1, most: null },
          working: `${design.boat.acRegion === '230 V' ? 500 : 250} V DC for a minute`,
          hazard: 'The tester’s volts shock: discharge after it, reconnect, prove polarity again.',
          outside: 'What cannot be disconnected only with its maker’s consent; else it stands as “not tested”.',
        }),
        line(0, {
          id: `dead.earth.${r.id}`,
          what: `earth continuity of AC ${name}`,
          state: 'as before',
          probes: 'earth bar to earth of its farthest outlet, leads nulled',
          unit: 'Ω',
          band: bandOf(earthMohm / 1000, [even('length and copper', 0.16 * (earthMohm / 1000)), even('joints', 0.02), even('meter', 0.02)]),
          limit: { least: null, most: earthMohm / 1000 + 0.1 },
          working: `${r.lengthM.toFixed(1)} m of its earth, and 0.1 Ω at most for joints`,
          outside: 'An earth that is not there: every outlet behind it is unsafe.',
        }),
      ];
    }),
  ];
}
