/** Reading a design from outside: size, syntax, version, shape, then references. Nothing is trusted before it has passed. */
import * as v from 'valibot';
import { parseClean } from './clean';
import { BOUNDS } from './bounds';
import type { ListName } from './edit';
import { joinMachines } from './machines';
import { type Design, DesignSchema, FORMAT, VERSION } from './schema';

export interface ReadProblem {
  /** Where in the file, e.g. "loads, row 4 (Refrigerator), rating". */
  readonly where: string;
  readonly message: string;
}

export type ReadResult = { readonly ok: true; readonly design: Design } | { readonly ok: false; readonly problems: readonly ReadProblem[] };

const refuse = (where: string, message: string): ReadResult => ({ ok: false, problems: [{ where, message }] });

/** Upgrades of older versions to the next, by the version they start from. Fields that were merely added have defaults in the schema. */
const UPGRADES: Readonly<Record<number, (old: Record<string, unknown>) => Record<string, unknown>>> = {
  1: (old) => ({ ...old, version: 2 }),
  2: (old) => ({ ...old, version: 3 }),
  3: (old) => ({ ...old, version: 4 }),
  // Feeders were held to 1 % on their own, which nobody had entered: they are to 3 %, with the whole path judged beside it.
  4: (old) => ({
    ...old,
    version: 5,
    ...(isRecord(old.house) && old.house.feederDropPct === 1 ? { house: { ...old.house, feederDropPct: 3 } } : {}),
  }),
};

const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Parses the text of a design file. @returns the design, or problems naming the place; never throws. */
export function readDesignText(text: string): ReadResult {
  if (text.length > BOUNDS.fileBytes) return refuse('the file', `it is larger than ${BOUNDS.fileBytes / 1e6} MB, the most a design may be`);
  let value: unknown;
  try {
    value = parseClean(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return refuse('the file', `it is not JSON: ${error instanceof Error ? error.message : 'unreadable'}`);
  }
  return readDesign(value);
}

/** Checks an already parsed value. */
export function readDesign(value: unknown): ReadResult {
  if (!isRecord(value)) return refuse('the file', 'a design file holds one JSON object');
  if (value.format !== FORMAT) return refuse('format', `this is not a ${FORMAT} file`);
  let current = value;
  const version = current.version;
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) return refuse('version', 'a whole number is needed');
  if (version > VERSION)
    return refuse('version', `the file is version ${version}; this program reads up to ${VERSION}. Update the program to open it`);
  for (let from = version; from < VERSION; from++) {
    const upgrade = UPGRADES[from];
    if (!upgrade) return refuse('version', `there is no upgrade from version ${from}`);
    current = upgrade(current);
  }
  const parsed = v.safeParse(DesignSchema, current);
  if (!parsed.success) {
    return {
      ok: false,
      problems: parsed.issues.slice(0, 20).map((issue) => ({ where: whereOf(issue.path, current), message: issue.message })),
    };
  }
  const problems = brokenReferences(parsed.output);
  return problems.length > 0 ? { ok: false, problems } : { ok: true, design: joinMachines(parsed.output) };
}

function whereOf(path: readonly { key?: unknown }[] | undefined, root: unknown): string {
  if (!path || path.length === 0) return 'the file';
  let at: unknown = root;
  return path
    .map(({ key }) => {
      at = isRecord(at) || Array.isArray(at) ? (at as Record<string, unknown>)[String(key)] : undefined;
      if (typeof key !== 'number') return String(key);
      const label = isRecord(at) && typeof at.name === 'string' ? ` (${at.name.slice(0, 40)})` : '';
      return `row ${key + 1}${label}`;
    })
    .join(', ');
}

/** Lists nothing else in the file has to name rightly. */
const UNREFERENCED = [
  'circuits',
  'living',
  'routes',
  'departures',
  'photos',
  'sources',
  'joins',
  'cruises',
  'studies',
  'bars',
  'leads',
  'smallLeads',
  'gauges',
  'mounts',
  'acSources',
  'acPanels',
  'acLoads',
  'acCircuits',
  'options',
] as const;

/** Duplicate ids and references to things that are not in the file. */
export function brokenReferences(design: Design): ReadProblem[] {
  const problems: ReadProblem[] = [];
  const report = (where: string, message: string) => {
    if (problems.length < 20) problems.push({ where, message });
  };
  const idsOf = (collection: ListName): Set<string> => {
    const seen = new Set<string>();
    design[collection].forEach((row, i) => {
      if (seen.has(row.id)) report(`${collection}, row ${i + 1}, id`, `the id ${row.id} is there twice`);
      seen.add(row.id);
    });
    return seen;
  };
  const places = idsOf('places');
  const sets = { place: places, bank: idsOf('banks'), panel: idsOf('panels'), load: idsOf('loads') };
  for (const rest of UNREFERENCED) idsOf(rest);
  for (const collection of ['banks', 'panels', 'loads'] as const) {
    design[collection].forEach((row, i) => {
      if (row.placeId !== null && !places.has(row.placeId))
        report(`${collection}, row ${i + 1} (${row.name}), placeId`, `there is no place ${row.placeId}`);
    });
  }
  design.circuits.forEach((circuit, i) => {
    const where = `circuits, row ${i + 1} (${circuit.name})`;
    if (!sets[circuit.from.kind].has(circuit.from.id)) report(`${where}, from`, `there is no ${circuit.from.kind} ${circuit.from.id}`);
    const taps = new Set<string>();
    circuit.taps.forEach((tap, k) => {
      const at = `${where}, taps, row ${k + 1}`;
      if (taps.has(tap.id)) report(`${at}, id`, `the id ${tap.id} is there twice`);
      if (tap.parent !== null && !taps.has(tap.parent)) report(`${at}, parent`, 'a segment must follow the one it branches from');
      taps.add(tap.id);
      if (!sets[tap.serves.kind].has(tap.serves.id)) report(`${at}, serves`, `there is no ${tap.serves.kind} ${tap.serves.id}`);
    });
    for (const place of circuit.via) if (!places.has(place)) report(`${where}, via`, `there is no place ${place}`);
    for (const device of circuit.devices)
      if (device.placeId !== null && !places.has(device.placeId)) report(`${where}, devices`, `there is no place ${device.placeId}`);
  });
  design.routes.forEach((route, i) => {
    const where = `routes, row ${i + 1} (${route.name})`;
    if (route.placeId !== null && !places.has(route.placeId)) report(`${where}, placeId`, `there is no place ${route.placeId}`);
  });
  for (const load of design.loads)
    for (const place of load.range?.placeIds ?? [])
      if (!places.has(place)) report(`loads (${load.name}), range`, `there is no place ${place}`);
  return problems;
}
