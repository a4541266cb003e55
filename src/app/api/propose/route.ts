import { BOUNDS } from '@/core/design';
import { answerWork, guarded, readText } from '@/server/request';
import { work } from '@/server/work/pool';

/** A design with what the application proposes of each part, and what that added; nothing is stored. */
export const POST = (request: Request) =>
  guarded(async () => {
    const text = await readText(request, BOUNDS.fileBytes + 1000);
    return text.ok ? answerWork(work().run('propose', text.value)) : text.response;
  });
