'use client';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export interface DialogProps {
  readonly onClose: () => void;
  readonly title: string;
  readonly about?: string;
  readonly children: ReactNode;
  readonly wide?: boolean;
}

/** A dialog that is open, with what keeps the keyboard in it. */
export default function DialogSheet({ onClose, title, about, children, wide = false }: DialogProps) {
  return (
    <Radix.Root open onOpenChange={(o) => (o ? undefined : onClose())}>
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
