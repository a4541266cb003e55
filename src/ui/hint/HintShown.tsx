'use client';
import { Tooltip } from 'radix-ui';

/** The hint of one thing, beside where it stands. */
export default function HintShown({ at }: { at: Element }) {
  const { left, top, width, height } = at.getBoundingClientRect();
  return (
    <Tooltip.Provider>
      <Tooltip.Root open disableHoverableContent>
        <Tooltip.Trigger asChild>
          <span aria-hidden className="pointer-events-none fixed" style={{ left, top, width, height }} />
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            className="hint screen-only z-50 max-w-[340px] border border-ink bg-sheet px-2 py-1 text-[12px]"
            sideOffset={4}
            collisionPadding={8}
            onEscapeKeyDown={(e) => e.preventDefault()}
          >
            {at.getAttribute('aria-description')}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
