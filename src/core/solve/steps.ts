/** Long work in steps, so that who waits for something else can be served between them. */
export type Steps<T> = Generator<undefined, T>;

/** All steps at once. */
export function atOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** A breath after each so many ms of work. @param rest what is waited for between. */
export async function inTurns<T>(steps: Steps<T>, workMs: number, rest: () => Promise<void>): Promise<T> {
  let from = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - from < workMs) continue;
    await rest();
    from = performance.now();
  }
}
