/** A thread of the server: takes jobs one after another. Bundled by scripts/thread.mjs, for Next does not bundle threads. */
import ELK from 'elkjs/lib/elk.bundled.js';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { parentPort } from 'node:worker_threads';
import * as v from 'valibot';
import { analyse } from '@/core';
import { statesOf } from '@/core/ac';
import { analysisAnswer, ProposeRequest, scratchAnswer, ScratchRequest } from '@/core/answer';
import { applyEdit, type Design, idsFor, readDesign, readDesignText } from '@/core/design';
import { boatState, chosenTogether } from '@/core/analysis';
import { type Drawing, drawingOf, fromElk, onSheets, toElk } from '@/core/drawing';
import { propose } from '@/core/propose';
import { packBoat, unpackBoat } from '@/server/archive';
import type { Answered, DrawingAsked, JobMessage, JobReply, Jobs } from '@/server/work/jobs';
import { roomsOn, Sheet } from '@/ui/drawing/Sheet';
import { titleOf } from '@/ui/drawing/title';

const answered = (value: unknown): Answered => ({ ok: true, json: JSON.stringify(value) });
const refused = (message: string, problems: Extract<Answered, { ok: false }>['problems'] = []): Answered => ({
  ok: false,
  message,
  problems,
});

/** The body through a schema. */
function bodyOf<S extends v.GenericSchema>(
  text: string,
  schema: S,
): { readonly ok: true; readonly value: v.InferOutput<S> } | (Answered & { ok: false }) {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused('the request is not JSON') as Answered & { ok: false };
  }
  const parsed = v.safeParse(schema, value);
  if (parsed.success) return { ok: true, value: parsed.output };
  const problems = parsed.issues.slice(0, 10).map((i) => ({ where: v.getDotPath(i) ?? 'request', message: i.message }));
  return refused(`${problems[0]?.where ?? 'request'}: ${problems[0]?.message ?? 'not understood'}`, problems) as Answered & { ok: false };
}

/** The line drawing on its sheets, as the screen prints it. */
async function drawn(design: Design, { rails, sheet }: DrawingAsked): Promise<readonly string[]> {
  const state = rails === 'AC' ? (statesOf(design).find((s) => s.origins.some((o) => o.panels.length > 0)) ?? null) : null;
  const drawing = drawingOf(design, analyse(design), { rails, folded: new Set(), study: null, ac: state });
  const elk = new ELK();
  const layOut = async (part: Drawing) => fromElk(part, await elk.layout(toElk(part)));
  const sheets = await onSheets(drawing, await layOut(drawing), layOut, roomsOn(sheet));
  const title = titleOf(design, { rails, revision: null, on: null });
  return sheets.map(({ layout, name: part }, i) =>
    renderToStaticMarkup(createElement(Sheet, { layout, name: sheet, title, part, no: i + 1, of: sheets.length })),
  );
}

const jobs: Jobs = {
  analysis: (design) => analyse(design),
  state: (design) => boatState(design, analyse(design)),
  analyse: async (text, drawing) => {
    const read = readDesignText(text);
    if (!read.ok) return refused('the design was not understood', read.problems);
    const answer = analysisAnswer(read.design);
    if (!drawing) return answered(answer);
    const [first, ...further] = await drawn(read.design, drawing);
    return answered({ ...answer, drawing: first, furtherSheets: further });
  },
  propose: (text) => {
    const body = bodyOf(text, ProposeRequest);
    if (!body.ok) return body;
    const read = readDesign(body.value.design);
    if (!read.ok) return refused('the design was not understood', read.problems);
    const { design, changes } = propose(read.design, body.value.what, idsFor(read.design));
    // Shared parts come with the circuits that share them.
    const sized = changes.some((c) => c.list === 'circuits') ? applyEdit(design, { ops: [...chosenTogether(design).ops] }) : null;
    return answered({ design: sized?.ok ? sized.design : design, changes });
  },
  scratch: (text) => {
    const body = bodyOf(text, ScratchRequest);
    if (!body.ok) return body;
    const result = scratchAnswer(body.value.line, body.value.ruleSet);
    return result.ok ? answered(result.answer) : refused(result.message);
  },
  pack: (design, photos, texts, days) => packBoat(design, (id) => photos.get(id) ?? null, texts, days),
  unpack: (zip) => unpackBoat(zip),
};

parentPort?.on('message', ({ id, job, args }: JobMessage) => {
  const tell = (reply: JobReply) => parentPort?.postMessage(reply);
  const perform = jobs[job] as (...xs: readonly unknown[]) => unknown;
  void (async () => {
    try {
      tell({ id, ok: true, value: await perform(...args) });
    } catch (error) {
      tell({ id, ok: false, message: error instanceof Error ? error.message : String(error) });
    }
  })();
});
