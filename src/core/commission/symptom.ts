/** Trouble told in ordinary words: which of fifteen symptoms is meant (docs/methods.md, M16). */

export const SYMPTOMS = {
  dim: 'something gets too little: dim, weak, slow',
  restarts: 'electronics restart or drop out when something starts',
  opens: 'a fuse or breaker opens',
  flat: 'the bank is flat too soon',
  'not charging': 'the engine runs and the bank does not fill',
  overcharged: 'it is charged too hard: gas, smell, hot battery, bulbs burn out',
  lamp: 'the charge lamp does what it should not',
  'not cranking': 'the engine does not turn, or slowly',
  'inverter stops': 'the inverter alarms or shuts down',
  'shore trips': 'shore power trips',
  tingles: 'metal or water tingles',
  'gauge lies': 'the gauge shows what is not so',
  hot: 'something is hot, smells or is browned',
  noise: 'radio or audio hums, whines or crackles',
  'not stopping': 'the engine does not stop with its key',
} as const;
export type SymptomId = keyof typeof SYMPTOMS;

/** Words that speak for a symptom, by the beginnings they are known from; two in one string must both be there. */
const WORDS: Readonly<Record<SymptomId, readonly (readonly [string, number])[]>> = {
  dim: [
    ['dim', 4],
    ['weak', 3],
    ['slow', 2.5],
    ['faint', 3],
    ['barely', 2],
    ['not enough power', 3],
    ['low volt', 2.5],
    ['struggl', 2],
    ['flicker', 2.5],
    ['tired', 1.5],
    ['yellow', 2],
  ],
  restarts: [
    ['restart', 4],
    ['reboot', 4],
    ['reset', 3],
    ['drops out', 3],
    ['drop out', 3],
    ['cuts out when', 3],
    ['goes off when', 3],
    ['goes blank', 3],
    ['blink', 2],
    ['when start', 1],
    ['when the engine starts', 2],
    ['loses signal', 1.5],
  ],
  opens: [
    ['fuse', 3],
    ['blow', 2.5],
    ['blew', 2.5],
    ['breaker', 2],
    ['trips', 1.5],
    ['pops', 2],
  ],
  flat: [
    ['flat', 3],
    ['dead', 2],
    ['empty', 3],
    ['drain', 3],
    ['does not last', 3],
    ['doesn t last', 3],
    ['overnight', 2],
    ['by morning', 2],
    ['in the morning', 2],
    ['not hold', 2],
    ['runs down', 3],
    ['lose charge', 2],
    ['loses charge', 2],
  ],
  'not charging': [
    ['not charg', 4],
    ['no charg', 4],
    ['doesn t charge', 4],
    ['won t charge', 4],
    ['never charge', 3],
    ['charge slow', 3],
    ['low charge', 1],
    ['no amps', 2],
    ['few amps', 2],
    ['alternator', 2],
    ['not fill', 2],
    ['takes forever', 1.5],
    ['never full', 0.5],
  ],
  overcharged: [
    ['overcharg', 6],
    ['charges too', 4],
    ['charging too', 4],
    ['too many volts', 5],
    ['volts too high', 5],
    ['over volt', 5],
    ['overvolt', 5],
    ['high voltage', 4],
    ['boil', 6],
    ['gass', 5],
    ['acid', 4],
    ['rotten egg', 6],
    ['sulphur', 5],
    ['battery is hot', 5],
    ['batteries are hot', 5],
    ['hot battery', 5],
    ['batteries get hot', 5],
    ['battery gets hot', 5],
    ['bulbs', 4],
    ['lamps burn out', 5],
    ['needs water', 4],
    ['water every', 3],
    ['swollen', 5],
    ['bulg', 4],
  ],
  lamp: [
    ['charge lamp', 4],
    ['charge light', 4],
    ['charging light', 4],
    ['charging lamp', 4],
    ['warning light', 4],
    ['warning lamp', 4],
    ['red light', 3],
    ['ignition light', 4],
    ['lamp stays', 2.5],
    ['light stays', 2.5],
  ],
  'not cranking': [
    ['crank', 4],
    ['won t start', 3],
    ['will not start', 3],
    ['doesn t start', 2],
    ['starter', 3],
    ['click', 3],
    ['turn over', 3.5],
    ['turns over', 3.5],
    ['engine dead', 3],
    ['hard to start', 2.5],
  ],
  'inverter stops': [
    ['inverter', 4],
    ['kettle', 1],
    ['beep', 1.5],
    ['low battery alarm', 2],
    ['microwave', 1],
    ['mains go', 1],
  ],
  'shore trips': [
    ['shore', 4],
    ['marina', 3],
    ['pedestal', 4],
    ['dock', 2],
    ['pontoon', 3],
    ['rcd', 3],
    ['residual', 3],
    ['earth leak', 3],
    ['ground fault', 3],
  ],
  tingles: [
    ['tingl', 6],
    ['shock', 5],
    ['prickl', 4],
    ['buzz', 2],
    ['zap', 4],
    ['bites', 2],
    ['numb', 3],
  ],
  'gauge lies': [
    ['gauge', 4],
    ['monitor', 3],
    ['meter shows', 3],
    ['reads wrong', 3],
    ['percent', 2],
    ['state of charge', 3],
    ['shows full', 3],
    ['shows 100', 3],
    ['never shows', 2],
    ['wrong reading', 3],
    ['never reaches', 1.5],
  ],
  hot: [
    ['hot', 4],
    ['warm', 3],
    ['smell', 4],
    ['melt', 4],
    ['brown', 3],
    ['burn', 3.5],
    ['smok', 4],
    ['discolou', 3],
    ['scorch', 4],
  ],
  noise: [
    ['hum', 4],
    ['whine', 4],
    ['crackl', 4],
    ['static', 4],
    ['noise', 4],
    ['interference', 5],
    ['hiss', 3],
    ['buzz in the', 3],
    ['squelch', 4],
  ],
  'not stopping': [
    ['won t stop', 4],
    ['doesn t stop', 4],
    ['will not stop', 4],
    ['keeps running', 4],
    ['runs on', 3],
    ['still runs', 3],
    ['key off', 3],
    ['turn off the engine', 3],
    ['switch off the engine', 3],
  ],
};

export interface ReadSymptom {
  readonly id: SymptomId;
  /** From 0 to 1: how far it stands before the next. */
  readonly sure: number;
}

const plain = (text: string): string =>
  ` ${text
    .toLowerCase()
    .replace(/[’']/g, ' ')
    .replace(/[^a-z0-9 ]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()} `;

/** Under this it is asked which is meant. */
export const SURE_FROM = 0.25;

/** The symptoms the words may mean, the likeliest first; none: nothing of it was understood. */
export function readSymptom(text: string): readonly ReadSymptom[] {
  const words = plain(text);
  const scored = (Object.keys(SYMPTOMS) as SymptomId[])
    .map((id) => ({ id, score: WORDS[id].reduce((sum, [w, n]) => sum + (words.includes(` ${w}`) ? n : 0), 0) }))
    .filter((x) => x.score > 0)
    .sort((a, b) => b.score - a.score);
  const total = scored.reduce((n, x) => n + x.score, 0);
  return scored.map(({ id, score }, i) => ({ id, sure: i === 0 ? (score - (scored[1]?.score ?? 0)) / total : 0 }));
}
