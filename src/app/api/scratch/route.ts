import { answerWork, guarded, readText } from '@/server/request';
import { work } from '@/server/work/pool';

/** A load and a distance in words: size, device, drop and the working. */
export const POST = (request: Request) =>
  guarded(async () => {
    const text = await readText(request, 2000);
    return text.ok ? answerWork(work().run('scratch', text.value)) : text.response;
  });
