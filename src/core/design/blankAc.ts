/** New rows of the AC side with typical figures of their kind. */
import type { School } from '../rules';
import type { AcCircuit, AcLoad, AcPanel, AcSource, Boat } from './schema';

export const usualCord = (school: School, ratedA: number): NonNullable<AcSource['shore']>['cordSize'] =>
  school === 'awg'
    ? { school, size: ratedA > 30 ? '6' : ratedA > 20 ? '10' : '12' }
    : { school, size: ratedA > 32 ? '16' : ratedA > 16 ? '6' : '2.5' };

/** What a region's shore service usually gives, A. */
export const usualInletA = (service: AcSource['service']): number => (service === '230 V' ? 16 : service === '120 V' ? 30 : 50);

export function blankAcSource(id: string, kind: AcSource['kind'], boat: Pick<Boat, 'acRegion' | 'ruleSet' | 'systemV'>): AcSource {
  const service = boat.acRegion;
  const volts = service === '230 V' ? 230 : 120;
  const va = 2000;
  const ratedA = kind === 'shore' ? usualInletA(service) : kind === 'generator' ? Math.round(4000 / volts) : Math.ceil(va / volts);
  return {
    id,
    name: kind === 'shore' ? 'Shore power' : kind === 'generator' ? 'Generator' : 'Inverter',
    kind,
    service: kind === 'inverter' && service === '120/240 V' ? '120 V' : service,
    placeId: null,
    ratedA,
    bonded: kind !== 'shore',
    shore:
      kind === 'shore'
        ? {
            // 50 ft where boats are measured in feet.
            cordM: boat.ruleSet === 'awg' ? 15.24 : 15,
            cordSize: usualCord(boat.ruleSet, ratedA),
            pedestalOhm: null,
            pedestalV: null,
            breakerAtM: boat.ruleSet === 'awg' ? 1.524 : 0.4,
            sheathed: true,
            isolation: 'galvanic isolator',
            isolator: null,
            terminalC: null,
          }
        : null,
    generator:
      kind === 'generator'
        ? {
            kva: 4,
            powerFactor: 1,
            xd: null,
            startKva: null,
            lightsOn: true,
            idleLph: 0.5,
            fullLph: 1.7,
            startLoadId: null,
            starter: null,
            holdInV: null,
            preheatLoadId: null,
          }
        : null,
    inverter:
      kind === 'inverter'
        ? {
            va,
            units: 1,
            atC: 25,
            lossPctPerC: 1,
            surges: [
              { id: 's1', s: 1, va: 2 * va },
              { id: 's2', s: 60, va: 1.3 * va },
            ],
            efficiency: 0.9,
            idleW: 12,
            sleepW: 3,
            rest: 'switched off',
            loadId: null,
            chargerId: null,
            passA: null,
            opensNeutral: true,
            faultTimes: 2,
            caseSize: null,
            precharge: boat.systemV >= 24,
            aired: true,
            dry: true,
          }
        : null,
    mark: 'typical',
    ignitionProtected: false,
    massKg: null,
    price: null,
    note: '',
  };
}

export const blankAcPanel = (id: string, placeId: string | null): AcPanel => ({
  id,
  name: 'AC panel',
  placeId,
  transfer: 'none',
  switchesNeutral: true,
  polarityIndicator: true,
  barsApart: true,
  linked: false,
  besideDcId: null,
  barrier: true,
  ways: null,
  opens: false,
  pitchMm: 17.5,
});

export const blankAcLoad = (id: string): AcLoad => ({
  id,
  name: 'New appliance',
  placeId: null,
  watts: 0,
  powerFactor: 1,
  surgeVa: null,
  surgeS: null,
  motor: false,
  leg: 'first',
  notWith: '',
  keep: 5,
  runsLong: false,
  hours: {},
  chargerId: null,
  mark: 'estimated',
  note: '',
});

export const blankAcCircuit = (id: string, no: string, name: string, from: AcCircuit['from']): AcCircuit => ({
  id,
  no,
  name,
  from,
  to: null,
  loadIds: [],
  outlets: 0,
  outletsWet: false,
  placeId: null,
  ratingA: null,
  family: null,
  poles: 2,
  leakageMa: null,
  size: null,
  lengthM: null,
  bundled: 2,
  enclosure: 'open',
  cable: 'stranded three-core',
  liveColour: '',
  secondColour: '',
  neutralColour: '',
  earthColour: '',
  labelled: false,
  earthSize: null,
  terminalC: null,
  way: null,
  note: '',
});
