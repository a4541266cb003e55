'use client';

export default function Failed({ reset }: { reset: () => void }) {
  return (
    <main className="mx-auto max-w-[560px] p-12">
      <h1 className="text-[18px] font-bold">This view could not be drawn</h1>
      <p className="mt-2">
        What was saved stands on file as it was, and what was on its way is kept in this browser. If it fails again, say which boat and
        which view; the server&apos;s own messages say why.
      </p>
      <button type="button" className="act mt-4" onClick={reset}>
        Draw it again
      </button>
    </main>
  );
}
