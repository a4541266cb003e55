'use client';

/** The sheets of one station, side by side: which one lies on top. */
export function Views<T extends string>({ views, showing, onShow }: { views: readonly T[]; showing: T; onShow: (view: T) => void }) {
  return views.map((view) => (
    <button
      key={view}
      type="button"
      aria-pressed={showing === view}
      className={showing === view ? 'border-b-2 border-verdigris font-semibold' : 'plain'}
      onClick={() => onShow(view)}
    >
      {view}
    </button>
  ));
}
