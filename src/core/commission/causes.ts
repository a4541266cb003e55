/** What on this boat may be behind a symptom, from what is aboard and what is found in it (docs/methods.md, M16). */
import { type Design, type Finding, kindOf, nameOf, rowOf } from '../design';
import type { SymptomId } from './symptom';

export interface Behind {
  readonly what: string;
  readonly why: string;
  /** What tells it from the others. */
  readonly measure: string;
  readonly probability: number;
}

/** What may be behind a symptom, before this boat's findings are asked: with the rules whose findings speak for each. */
export function causesOf(design: Design, symptom: SymptomId): readonly { readonly what: string; readonly rules: readonly string[] }[] {
  const out: { what: string; rules: readonly string[] }[] = [];
  CAUSES[symptom](design, (what, _, rules) => out.push({ what, rules }));
  return out;
}

type Say = (what: string, weight: number, rules: readonly string[], measure: string, why?: string) => void;

/** What a finding of this boat adds to what it would explain. */
const FOUND_TIMES = 5;

/** What may be behind a symptom on this boat, from what is aboard and what is found in it; the likeliest first. @param findings all of them. */
export function behind(design: Design, findings: readonly Finding[], symptom: SymptomId): readonly Behind[] {
  const out: { what: string; why: string; measure: string; weight: number }[] = [];
  const say: Say = (what, weight, rules, measure, why = '') => {
    const found = findings.filter((f) => rules.includes(f.rule));
    const [first] = found;
    out.push({
      what,
      measure,
      weight: weight * (found.length > 0 ? FOUND_TIMES * Math.min(2, Math.sqrt(found.length)) : 1),
      why: first ? `${nameOf(design, first.about)}: ${first.title}` : why,
    });
  };
  CAUSES[symptom](design, say);
  const total = out.reduce((n, x) => n + x.weight, 0) || 1;
  return out.map(({ weight, ...x }) => ({ ...x, probability: weight / total })).sort((a, b) => b.probability - a.probability);
}

const alternators = (d: Design) => d.sources.filter((s) => s.kind === 'alternator' && s.insteadOfId === null);
const house = (d: Design): string => (d.banks.find((b) => b.job === 'house') ?? d.banks[0])?.name ?? 'the bank';

const CAUSES: Readonly<Record<SymptomId, (d: Design, say: Say) => void>> = {
  dim: (d, say) => {
    say('a bad joint on its path', 4, ['bad-joints', 'fault'], 'millivolts along the path with it on: below');
    say('its cable is too slight or too long', 2, ['fails-drop', 'path-drop'], 'bank to load and back, beside what is expected');
    say('a switch or plug in its line', 2, ['device', 'device-unrated'], 'millivolts across it');
    say(`${house(d)} is low`, 1.5, ['runs-down', 'uncharged'], 'volts at its posts while it draws');
    say(
      'its feeder carries too much at once',
      1,
      ['panel-total', 'fails-ampacity'],
      'millivolts over the feeder, with all on and with this alone',
    );
  },
  restarts: (d, say) => {
    say('what starts shares a feeder or bank with it', 3, ['start-sag', 'ripple'], 'volts at its plug, smallest while the motor starts');
    say('a bad joint both share', 3, ['bad-joints', 'fault'], 'millivolts over each joint of the shared part while it starts');
    say(`${house(d)} sags: small, cold or aged`, 2, ['study-volts', 'path-start', 'sharing'], 'volts at its posts while it starts');
    if (d.banks.some((b) => b.chemistry === 'lfp'))
      say('its BMS opens', 1, ['bms-warns', 'bms-unknown'], 'whether the bank’s own output drops too');
    say('its own lead or plug', 1, ['lead', 'fails-surge'], 'volts at its plug beside volts at the panel');
  },
  opens: (d, say) => {
    say(
      'more is on it than it is for',
      2,
      ['fails-protection', 'protection-conflict', 'panel-total', 'ac-together', 'ac-small-breaker'],
      'amps with everything on',
    );
    say(
      'a start that is too long for it',
      2,
      ['stall', 'ac-start-opens', 'ac-blackout', 'fails-surge'],
      'amps through a start, or whether it opens at rest',
    );
    say('chafed or crushed insulation: a short', 2, ['way-hazard', 'fault'], 'megohms of the run with both ends off, dead and proved so');
    say('it stands too hot', 1, ['terminal-heat', 'panel-place', 'bad-joints'], 'its temperature, and its terminals’');
    if (d.loads.some((l) => ['bilge pump', 'motor'].includes(kindOf(l)) || l.group === 'pump'))
      say('a motor that is held fast', 1.5, ['stall'], 'turn it by hand, dead and isolated');
  },
  flat: (d, say) => {
    say('more is drawn than is given', 3, ['runs-down', 'uncharged'], 'Ah of a day in and out, by the gauge or the clamp');
    say('something draws that nobody listed', 2, ['found-kind', 'unidentified'], 'amps with everything off, then way by way');
    say('the bank holds less than its label', 2, ['sharing', 'bank-temp', 'box'], 'a capacity test, once charged and rested');
    say(
      'it is never quite full',
      2,
      ['low-setpoint', 'set-absorption', 'set-time-and-tail', 'sensed-other', 'charge-path'],
      'volts at its posts at the end of a charge',
    );
    if (d.joins.length > 0) say('it drains into the other bank', 1.5, ['both-drains', 'paralleled'], 'amps through the join, engine off');
    if (d.gauges.length > 0)
      say('the gauge lies about it', 1, ['gauge-never-full', 'round-shunt', 'gauge-asleep'], 'rest volts beside what it shows');
  },
  'not charging': (d, say) => {
    for (const s of alternators(d).slice(0, 1)) {
      say(`${s.name} is not excited`, 2, ['excite-diode', 'small-missing'], 'volts at its excitation, key on');
      say(
        'the regulator sees another bank, or senses before the drop',
        2,
        ['sensed-other', 'one-wire-splitter', 'sense-drop'],
        'volts at its post and at the bank’s at once',
      );
      say('a slipping belt', 2, ['belt'], 'amps as it is loaded, dust under it');
    }
    say(
      'a joint, fuse or cable on the charging path',
      3,
      ['charge-path', 'lead', 'bad-joints'],
      'millivolts from the source’s post to the bank’s, positive and negative',
    );
    if (d.joins.some((j) => j.kind === 'splitter')) say('the splitter’s drop', 2, ['one-wire-splitter'], 'volts before and behind it');
    if (d.banks.some((b) => b.bms !== null))
      say('the BMS refuses charge', 1, ['bms-volts', 'set-BMS'], 'its own display, and the bank’s temperature');
    say('the setpoint is too low', 1, ['low-setpoint', 'set-absorption', 'external-fixed'], 'volts at the end, beside its sheet');
  },
  overcharged: (d, say) => {
    for (const s of alternators(d).slice(0, 1)) {
      say(
        `the regulator of ${s.name} is stuck at full`,
        4,
        ['external-fixed'],
        'volts at the bank’s posts as its amps have fallen, engine on',
      );
      say(
        'its sense lead is broken or reads a lower place',
        3,
        ['sense-drop', 'sensed-other', 'small-missing'],
        'volts at the sense terminal beside the posts',
      );
    }
    say(
      'a setpoint above what the battery takes',
      3,
      ['set-absorption', 'set-float', 'set-equalise'],
      'what it is set to, beside the battery’s sheet',
    );
    say(
      'its temperature sensor is missing, or lies elsewhere',
      2,
      ['set-sensor', 'bank-temp'],
      'what the sensor reads, beside a thermometer on the battery',
    );
    say('one block is weak and the others take its volts', 2.5, ['sharing', 'box'], 'volts of each block while it charges, and rested');
    if (d.sources.some((s) => s.kind === 'solar' || s.kind === 'wind'))
      say('a solar or wind source that goes on when it is full', 1.5, ['solar-volts'], 'volts at the posts in full sun, all else off');
  },
  lamp: (d, say) => {
    say('the excitation lead is broken, or its lamp is', 3, ['small-missing'], 'volts at its terminal, key on');
    say('the alternator gives nothing', 2, ['belt', 'curve'], 'volts at its post, running');
    say('the diodes of the machine are gone', 2, ['dump-selector', 'dump-bms', 'surge-trips'], 'alternating volts at its post');
    if (alternators(d).some((s) => s.alternator?.excitation === 'one-wire'))
      say('a self-exciting machine lights none', 3, [], 'its sheet: the lead is capped');
  },
  'not cranking': (d, say) => {
    say('the start battery is empty or aged', 3, ['cranking', 'cca-unknown', 'uncharged'], 'volts at its posts while it cranks');
    say(
      'a joint in the starter’s path, most often the negative',
      3,
      ['starter-cable', 'lead', 'bad-joints'],
      'millivolts from post to starter, and from its body to the negative post, cranking',
    );
    say('its cable is too slight', 1, ['lead', 'starter-cable'], 'the same, beside what is expected');
    say('the solenoid’s own circuit', 1.5, ['small-long'], 'volts at its small terminal, key turned');
    if (d.joins.length > 0)
      say('the wrong bank is on the starter', 1, ['both-drains', 'emergency'], 'the selector, and which bank’s volts fall');
  },
  'inverter stops': (d, say) => {
    for (const s of d.acSources.filter((x) => x.inverter).slice(0, 1)) {
      say(
        `${s.name} gets too few volts at its terminals`,
        4,
        ['ac-low-volts', 'ac-dc-cable', 'path-drop'],
        'volts at its own studs at full output, beside the bank’s posts',
      );
      say('it stands too hot or without air', 2, ['ac-no-air', 'mount-refused', 'mount-crowded'], 'whether it stops sooner when warm');
      say('what starts on it is more than it gives', 2, ['ac-start', 'ac-surge-low', 'ac-too-large'], 'which appliance, and its start');
    }
    say(`${house(d)} is too small for it, or low`, 2, ['sharing', 'runs-down', 'bank'], 'volts at its posts at full output');
    if (d.banks.some((b) => b.bms !== null)) say('the BMS opens', 1.5, ['bms-warns'], 'whether DC loads die too');
  },
  'shore trips': (d, say) => {
    say('damp in an appliance, a heater first', 3, ['ac-wet-outlets'], 'one by one out; megohms of each, dead and out of its outlet');
    say('neutral and earth joined aboard', 3, ['ac-bond-many', 'ac-bars', 'ac-parallel'], 'lead out, ohms between neutral and earth bars');
    say('cord or inlet browned or wet', 2, ['ac-cord-thin', 'ac-cord-long'], 'look; megohms between live, neutral and earth of the cord');
    say('too much at once', 2, ['ac-together', 'ac-small-breaker', 'ac-blackout'], 'amps, and which breaker of the two opens');
    if (d.acSources.some((s) => s.shore))
      say('the earth carries the marina’s own current', 1, ['ac-no-isolation', 'ac-isolator-small'], 'amps in the earth core by a clamp');
  },
  tingles: (d, say) => {
    say(
      'the earth of the shore lead, socket or boat is open',
      5,
      ['ac-earth-thin', 'ac-bond-none', 'ac-case'],
      'lead out first; ohms from the metal to the inlet’s earth pin',
    );
    say(
      'a leaking appliance with no earth',
      4,
      ['ac-wet-outlets', 'case-earth'],
      'dead and unplugged: megohms from its live and neutral to its case',
    );
    say('live and neutral are crossed', 2, ['ac-polarity'], 'a polarity tester in the socket ashore, then aboard');
    say('no residual-current device, or it does not open', 3, ['ac-no-leakage'], 'its test button, then a tester');
    if (d.acSources.some((s) => s.inverter))
      say(
        'the inverter’s own bond is missing',
        2,
        ['ac-bond-none', 'ac-bond-many'],
        'lead out, inverter off and dead: ohms between neutral and earth bars',
      );
    say('another boat or the pontoon itself is live', 1, ['ac-no-isolation'], 'your own lead out: does it tingle still?');
  },
  'gauge lies': (d, say) => {
    say(
      'something lands on the post and goes round the shunt',
      4,
      ['round-shunt', 'no-shunt', 'paralleled'],
      'amps at the post by a clamp beside what it shows',
    );
    say(
      'its full settings are never reached',
      3,
      ['gauge-never-full', 'low-setpoint'],
      'volts and amps at the end of a charge beside its settings',
    );
    say('it sleeps with the house switch', 1, ['gauge-asleep'], 'what it shows before and after the switch');
    say('its capacity is another than the bank’s', 2, [], 'what is programmed, beside the labels');
    say('its zero has moved', 1, [], 'amps with everything off and the negative off');
  },
  hot: (d, say) => {
    say(
      'a loose or green joint',
      5,
      ['bad-joints', 'fault', 'terminal-heat'],
      'feel nothing: a thermometer, and millivolts across it at its current',
    );
    say(
      'a conductor too slight for its device',
      2,
      ['fails-ampacity', 'ac-thin', 'reduction', 'unfused'],
      'its size beside the device before it',
    );
    say('a device or switch at its limit', 2, ['device', 'lead-device', 'bus-amps'], 'amps through it beside its marks');
    if (d.acSources.some((s) => s.shore)) say('the shore inlet or cord', 2, ['ac-cord-thin'], 'brown pins; lead out first');
    if (d.sources.some((s) => rowOf(d.places, s.placeId)?.engineSpace))
      say('a machine without air', 1, ['source-place', 'mount-refused'], 'its own temperature in the shade of its case');
  },
  noise: (d, say) => {
    say('a noisy load shares its feeder or negative', 4, ['ripple', 'start-sag'], 'switch the loads off one by one while it is heard');
    for (const s of alternators(d).slice(0, 1))
      say(
        `${s.name}: a diode, or its lead beside the aerial’s`,
        3,
        ['dump-selector'],
        'does it follow the engine’s speed? Alternating volts at its post',
      );
    if (d.sources.some((s) => s.kind === 'solar' || s.kind === 'DC–DC'))
      say('a solar or DC–DC converter', 3, [], 'cover the panels, switch it off: does it go?');
    if (d.acSources.some((s) => s.inverter || s.shore)) say('an inverter or charger', 3, [], 'switch it off at its own switch');
    say('cheap light-emitting lamps and their drivers', 2.5, [], 'lamps off, one group after another');
    say('a bad earth or plug of the aerial', 2, ['bad-joints'], 'the plug looked at; the aerial off: does it go?');
  },
  'not stopping': (d, say) => {
    say('the excitation feeds back: no diode in it', 4, ['excite-diode'], 'volts at the key’s output, key off, engine turning');
    say('a load on the key’s circuit feeds it', 2, ['supply', 'way-class'], 'what stays live with the key off');
    say('the stop solenoid’s own circuit', 2, [], 'volts at it as the button is pressed');
    if (alternators(d).some((s) => s.alternator?.excitation === 'three-wire'))
      say('the charge lamp was replaced by one of less resistance', 1, [], 'its watts');
  },
};
