'use client';
import type { KeyboardEvent, RefObject } from 'react';
import type { About, Layout } from '@/core/drawing';
import { Figure, keyOf } from './Figure';
import { Overview } from './Overview';
import { ON_SCREEN } from './symbols';
import { nextThing } from './travel';
import type { View } from './useView';

interface CanvasProps {
  readonly layout: Layout | null;
  /** It is laid out as it is now. */
  readonly fresh: boolean;
  readonly view: View;
  readonly canvas: RefObject<SVGSVGElement | null>;
  readonly label: string;
  readonly chosen: About | null;
  /** keyOf what is dead as the switches stand; null where nobody asks. */
  readonly dead?: ReadonlySet<string> | null;
  /** By the pointer; by the arrow keys, where that is another thing. */
  readonly onChoose: (about: About | null) => void;
  readonly onTravel?: (about: About) => void;
  readonly onOpen: (about: About) => void;
  readonly onEnter: (about: About) => void;
  readonly onFold?: (panelId: string) => void;
}

/** The drawing to move about in: pointer, wheel and keys. */
export function Canvas({
  layout,
  fresh,
  view,
  canvas,
  label,
  chosen,
  dead = null,
  onChoose,
  onTravel = onChoose,
  onOpen,
  onEnter,
  onFold,
}: CanvasProps) {
  const onKey = (e: KeyboardEvent) => {
    if (!layout) return;
    const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key] as [number, number] | undefined;
    if (step) {
      const next = nextThing(layout, chosen, step);
      if (next) {
        onTravel(next.about);
        view.reveal(next);
      }
    } else if (e.key === 'Enter' && chosen) onEnter(chosen);
    else if (e.key === 'f' && chosen?.kind === 'panel') onFold?.(chosen.id);
    else if (e.key === '+' || e.key === '=') view.by(1.3);
    else if (e.key === '-') view.by(1 / 1.3);
    else if (e.key === '0') view.fit();
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const aboutAt = (target: EventTarget): About | null => {
    const key = (target as Element).closest<SVGGElement>('[data-about]')?.dataset.about;
    if (key === undefined) return null;
    const cut = key.indexOf(' ');
    return { kind: key.slice(0, cut) as About['kind'], id: key.slice(cut + 1) };
  };
  return (
    <div className="screen-only relative min-h-0 w-full flex-1 border-t border-line">
      <svg
        ref={canvas}
        className="absolute inset-0 h-full w-full cursor-grab touch-none outline-offset-[-2px]"
        tabIndex={0}
        role="application"
        aria-label={label}
        onKeyDown={onKey}
        onClick={(e) => onChoose(aboutAt(e.target))}
        onDoubleClick={(e) => {
          const about = aboutAt(e.target);
          if (about) onOpen(about);
        }}
        data-laid={layout ? (fresh ? 'yes' : 'before') : undefined}
      >
        <g data-view>
          {layout ? <Figure layout={layout} inks={ON_SCREEN} chosen={chosen && keyOf(chosen)} dead={dead} font="inherit" /> : null}
        </g>
      </svg>
      {layout ? <Overview layout={layout} view={view} /> : null}
    </div>
  );
}
