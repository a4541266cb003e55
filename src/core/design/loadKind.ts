/** What a load is, where rules go by it: entered, or suggested by its name until somebody says. */
import { onceFor } from './once';

export const LOAD_KINDS = [
  'bilge pump',
  'high-water alarm',
  'gas alarm',
  'smoke alarm',
  'blower',
  'navigation light',
  'starter',
  'inverter',
  'windlass or thruster',
  'pump',
  'radio',
  'steering',
  'display',
  'radar',
  'socket',
  'other',
] as const;
export type LoadKind = (typeof LOAD_KINDS)[number];

/** Words of a name that suggest a kind, in the languages of the coasts; the first row that fits is taken. */
const WORDS: readonly (readonly [LoadKind, RegExp])[] = [
  ['high-water alarm', /high.?water|bilge alarm|hochwasser|alarme de cale/i],
  ['bilge pump', /bilge pump|bilgepumpe|lenzpumpe|pompe de cale|bomba de achique|lenspomp|pompa di sentina/i],
  ['gas alarm', /gas (detector|alarm|sniffer)|gasmelder|gaswarner|d[ée]tecteur de gaz|detector de gas|gasdetector/i],
  ['smoke alarm', /smoke|carbon monoxide|\bco alarm|rauchmelder|d[ée]tecteur de fum[ée]e|detector de humo/i],
  ['blower', /blower|l[üu]fter|ventilateur de (cale|moteur)|extractor de gases/i],
  ['starter', /\bstarter\b(?! *(batter|bank|charg))|anlasser|d[ée]marreur|motor de arranque/i],
  ['inverter', /inverter|wechselrichter|convertisseur|inversor|omvormer/i],
  ['windlass or thruster', /windlass|thruster|ankerwinde|bugstrahl|guindeau|propulseur|molinete|h[ée]lice de proa/i],
  [
    'navigation light',
    /navigation light|tricolou?r|anchor light|steaming light|masthead light|stern light|bow light|positionslicht|ankerlicht|feu de (route|mouillage)|luz de (navegaci|fondeo)/i,
  ],
  [
    'pump',
    /(fresh.?water|drinking.?water|pressure|shower|deck.?wash|wash.?down|toilet|heads|macerator|fuel|livewell).*pump|frischwasser|druckwasser|duschpumpe|toilettenpumpe|groupe d.eau|pompe (de douche|wc|.? eau douce)|bomba de (agua|ducha|inodoro)/i,
  ],
  ['radar', /\bradar/i],
  ['display', /display|plotter|kartenplotter|traceur|depth|echo ?sounder|fish ?finder|sondeur|echolot|instrument/i],
  ['steering', /auto.?pilot|self.?steering|selbststeuer|pilote automatique|piloto autom[áa]tico|stuurautomaat/i],
  ['socket', /^(?!.*usb).*\boutlet\b|charge socket|charging socket|ladedose|bordsteckdose|prise (12|24|48).?v|toma de (12|24|48)/i],
  ['radio', /\bvhf\b|\bssb\b|radio|funkger[äa]t/i],
];

/** The kind a name suggests; null: none. */
export const kindByName = (name: string): LoadKind | null => WORDS.find(([, words]) => words.test(name))?.[0] ?? null;

interface Named {
  readonly kind: LoadKind | null;
  readonly name: string;
  readonly group: string;
}

/** What a row's name suggests: many rules ask it of every load at every edit. */
const suggested = onceFor(
  ({ name, group }: Named): LoadKind =>
    kindByName(name) ?? (group === 'navigation' ? 'navigation light' : group === 'blower' ? 'blower' : group === 'pump' ? 'pump' : 'other'),
);

/** The kind that counts: as entered, else as the name or the group suggests. */
export const kindOf = (load: Named): LoadKind => load.kind ?? suggested(load);

const AT_ITS_WORK: ReadonlySet<LoadKind> = new Set([
  'bilge pump',
  'high-water alarm',
  'gas alarm',
  'smoke alarm',
  'blower',
  'navigation light',
  'starter',
  'windlass or thruster',
  'pump',
  'steering',
  'display',
  'radar',
]);

/** Whether it has to stand where its work is: a bilge pump in the bilge, a radar on the mast. It is exchanged for one that suits, never moved. */
export const standsAtItsWork = (load: Named): boolean => AT_ITS_WORK.has(kindOf(load));
