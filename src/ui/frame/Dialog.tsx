'use client';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

/** A sheet of paper over the table: title, words, what is to be done. */
export function Dialog({
  open,
  onClose,
  title,
  about,
  children,
  wide = false,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  about?: string;
  children: ReactNode;
  wide?: boolean;
}) {
  return (
    <Radix.Root open={open} onOpenChange={(o) => (o ? undefined : onClose())}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Radix.Content
          className={`fixed top-[9vh] left-1/2 z-50 max-h-[80vh] -translate-x-1/2 overflow-y-auto border border-ink bg-sheet p-5 ${wide ? 'w-[760px]' : 'w-[520px]'} max-w-[94vw]`}
          {...(about ? {} : { 'aria-describedby': undefined })}
        >
          <Radix.Title className="text-[15px] font-bold">{title}</Radix.Title>
          {about ? <Radix.Description className="mt-1 text-quiet">{about}</Radix.Description> : null}
          <div className="mt-3">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
