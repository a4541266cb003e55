import { analyse, circuitWorking, cutList } from '@/core';
import { BOUNDS, readDesignText } from '@/core/design';
import { guarded, readText, refuse } from '@/server/request';

/** The whole analysis of a design file, as JSON, without touching any boat on file. See docs/api.md. */
export const POST = (request: Request) =>
  guarded(async () => {
    const text = await readText(request, BOUNDS.fileBytes);
    if (!text.ok) return text.response;
    const read = readDesignText(text.value);
    if (!read.ok) return refuse(422, 'the design was not understood', read.problems);
    const { design } = read;
    const analysis = analyse(design);
    return Response.json({
      ...analysis,
      circuits: analysis.circuits.map((c) => ({ ...c, working: circuitWorking(c, design.boat) })),
      cutList: cutList(design, analysis.circuits, analysis.leads),
    });
  });
