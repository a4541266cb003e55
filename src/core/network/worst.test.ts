import { analyse, studied } from '../analysis';
import type { Design, Study } from '../design';
import { CONDUCTORS } from '../rules';
import { bareBoat, withLoad } from '../design/testing';
import { runStudy } from './study';
import { worstOfStudies } from './worst';

const study = (id: string, soc: number): Study => ({
  id,
  name: id,
  soc,
  engineRpm: 0,
  shore: false,
  cranking: false,
  loads: { x: 'on' },
});
const boat = (minV: number | null, ...socs: number[]): Design => ({
  ...withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 20, minV }, 12, {
    pin: { size: { school: 'metric', size: '6' }, legs: 1, family: null, ratingA: null, ownDevices: false },
  }),
  studies: socs.map((s) => study(`at ${Math.round(100 * s)} %`, s)),
});

test('of several studies the one that leaves a load least room speaks for it', () => {
  const design = boat(11, 0.8, 0.3, 0.6);
  const analysed = analyse(design);
  const worst = worstOfStudies(design, analysed);
  expect(worst.loads.map((l) => l.study)).toEqual(['at 30 %']);
  expect(worst.loads[0]?.volts).toBe(runStudy(design, analysed, design.studies[1] ?? study('none', 1)).loads[0]?.volts);
});

test('the size it wants: with it the load stands at its least volts or above, with the next smaller it does not', () => {
  const design = boat(11.4, 0.6);
  const analysed = analyse(design);
  const [low] = worstOfStudies(design, analysed).loads;
  const table = CONDUCTORS.metric;
  const at = table.findIndex((c) => c.size === low?.wants);
  const result = analysed.circuits.find((c) => c.id === 'c-x');
  const copper = result?.warmOhm.segments[0] ?? NaN;
  const with_ = (i: number) =>
    (low?.volts ?? NaN) + 20 * copper * (1 - (table[i]?.r20OhmPerKm ?? NaN) / (result?.own.state.conductor.r20OhmPerKm ?? NaN));
  expect(with_(at)).toBeGreaterThanOrEqual(11.4);
  expect(with_(at - 1)).toBeLessThan(11.4);
});

test('a load that falls is a finding on its circuit, an accepted one says so; in its band it is none; without studies nothing is said', () => {
  const falls = boat(12.2, 0.5);
  const [told] = studied(falls, analyse(falls)).findings;
  expect(told).toMatchObject({ id: 'study-volts:x', severity: 'fix', about: { kind: 'circuit', id: 'c-x' } });
  const accepted = {
    ...falls,
    departures: [
      { id: 'd', findingId: 'study-volts:x', what: 'w', why: 'y', acceptedBy: 'z', on: '2026-01-01', kind: 'accepted' as const, facts: '' },
    ],
  };
  expect(studied(accepted, analyse(accepted)).findings[0]?.accepted).toEqual({ by: 'z', why: 'y' });
  const holds = boat(9, 0.5);
  expect(studied(holds, analyse(holds)).findings).toEqual([]);
  const none = boat(12.2);
  expect(worstOfStudies(none, analyse(none))).toMatchObject({ loads: [], leads: {}, cases: [], answers: [] });
});

test('a collapse is a stop on the study', () => {
  const heavy = withLoad(bareBoat('metric'), { behaviour: 'power', rating: 9000 }, 12);
  const design = { ...heavy, studies: [study('night', 0.3)] };
  expect(studied(design, analyse(design)).findings[0]).toMatchObject({ id: 'collapse:night', severity: 'stop' });
});
