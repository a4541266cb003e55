/** A design as the database keeps it: text with its checksum, read again through the schema. */
import { createHash } from 'node:crypto';
import * as v from 'valibot';
import { brokenReferences, type Design, DesignSchema, readDesign, type ReadProblem, VERSION } from '@/core/design';

/** What stands in a row. */
export interface Kept {
  readonly design: string;
  readonly sum: string;
}

export const sumOf = (bytes: string | Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

export function keptAs(design: Design): Kept {
  const text = JSON.stringify(design);
  return { design: text, sum: sumOf(text) };
}

export type Checked = { readonly design: Design; readonly problems: readonly ReadProblem[] };

/** The design through its schema: fields an older edit did not have are filled in. */
export function checked(design: Design): Checked {
  const parsed = v.safeParse(DesignSchema, design);
  if (parsed.success) return { design: parsed.output, problems: brokenReferences(parsed.output) };
  return { design, problems: parsed.issues.slice(0, 5).map((i) => ({ where: v.getDotPath(i) ?? 'design', message: i.message })) };
}

export type StoredRead = { readonly ok: true; readonly design: Design } | { readonly ok: false; readonly problem: string };

/** Reads what stands in a row; one of an older version, or from before a field was there, is brought up to date. @param sum null: none was kept. */
export function readStored(text: string, sum: string | null): StoredRead {
  if (sum !== null && sumOf(text) !== sum)
    return { ok: false, problem: 'what is on file is not what was saved last: it was changed or cut short' };
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { ok: false, problem: 'what is on file was cut short, or is no design' };
  }
  if ((value as { version?: unknown } | null)?.version === VERSION) {
    const parsed = v.safeParse(DesignSchema, value);
    if (parsed.success) return { ok: true, design: parsed.output };
    const [issue] = parsed.issues;
    return { ok: false, problem: `what is on file cannot be read: ${v.getDotPath(issue) ?? 'design'}, ${issue.message}` };
  }
  const read = readDesign(value);
  if (read.ok) return read;
  return {
    ok: false,
    problem: `what is on file cannot be read: ${read.problems[0]?.where ?? 'design'}, ${read.problems[0]?.message ?? ''}`,
  };
}

/** A boat that is on file and cannot be read. */
export class DamagedBoat extends Error {
  constructor(
    readonly boatId: string,
    readonly problem: string,
  ) {
    super(problem);
  }
}
