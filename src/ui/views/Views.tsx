'use client';
import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';

/** A tab names its sheet by an id, which has no spaces. */
const idOf = encodeURIComponent;

interface ViewedProps<T extends string> {
  readonly showing: T;
  readonly onShow: (view: T) => void;
  readonly className?: string;
  readonly children?: ReactNode;
}

/** Several sheets on one screen, of which one lies on top: round the names of all ("Views") and the one that shows ("View"). */
export function Viewed<T extends string>({ showing, onShow, className, children }: ViewedProps<T>) {
  const show = (view: string) => {
    // A field that goes with its sheet hands over what was typed first.
    const at = document.activeElement;
    if (at instanceof HTMLElement && at.matches('input, textarea, select')) at.blur();
    onShow(decodeURIComponent(view) as T);
  };
  return (
    <Tabs.Root value={idOf(showing)} onValueChange={show} activationMode="manual" className={className}>
      {children}
    </Tabs.Root>
  );
}

interface ViewsProps<T extends string> {
  readonly views: readonly T[];
  readonly label: string;
  /** How a sheet is called; left out: by its own word. */
  readonly name?: (view: T) => string;
}

/** The names of the sheets, side by side: arrows go along them, Enter puts one on top. */
export function Views<T extends string>({ views, label, name = (view) => view }: ViewsProps<T>) {
  return (
    <Tabs.List aria-label={label} className="contents">
      {views.map((view) => (
        <Tabs.Trigger
          key={view}
          value={idOf(view)}
          className="plain data-[state=active]:border-b-2 data-[state=active]:border-verdigris data-[state=active]:font-semibold data-[state=active]:text-ink data-[state=active]:no-underline"
        >
          {name(view)}
        </Tabs.Trigger>
      ))}
    </Tabs.List>
  );
}

interface ViewProps {
  readonly of: string;
  readonly className?: string;
  /** That it scrolls, and so can be reached by the keyboard. */
  readonly scrolls?: boolean;
  readonly children?: ReactNode;
}

/** The sheet that lies on top. */
export function View({ of, className, scrolls = false, children }: ViewProps) {
  return (
    <Tabs.Content value={idOf(of)} className={className} {...(scrolls ? {} : { tabIndex: undefined })}>
      {children}
    </Tabs.Content>
  );
}
