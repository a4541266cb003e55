'use client';

export default function Failed({ reset }: { reset: () => void }) {
  return (
    <main className="mx-auto max-w-[560px] p-12">
      <h1 className="text-[18px] font-bold">This view could not be drawn</h1>
      <p className="mt-2">Everything saved is still on file, and what was on its way is kept in this browser.</p>
      <button type="button" className="act mt-4" onClick={reset}>
        Draw it again
      </button>
    </main>
  );
}
