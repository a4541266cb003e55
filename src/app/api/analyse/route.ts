import { BOUNDS } from '@/core/design';
import { answerWork, guarded, readText } from '@/server/request';
import type { DrawingAsked } from '@/server/work/jobs';
import { work } from '@/server/work/pool';

const RAILS: readonly DrawingAsked['rails'][] = ['one line', 'both', 'earths', 'AC'];
const SHEETS: readonly DrawingAsked['sheet'][] = ['A3', 'A4', 'letter'];

/** Everything known of a design file, as JSON, without touching any boat on file; with ?drawing=one line the line drawing too. See docs/api.md. */
export const POST = (request: Request) =>
  guarded(async () => {
    const text = await readText(request, BOUNDS.fileBytes);
    if (!text.ok) return text.response;
    const query = new URL(request.url).searchParams;
    const rails = RAILS.find((r) => r === query.get('drawing'));
    const sheet = SHEETS.find((s) => s === query.get('sheet')) ?? 'A3';
    return answerWork(work().run('analyse', text.value, rails ? { rails, sheet } : null));
  });
