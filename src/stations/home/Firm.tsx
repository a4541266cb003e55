'use client';
/** What concerns the whole firm: backups and their way back, cards and rules as a file, who is in. */
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';

interface Restored {
  readonly folder: string;
  readonly boats: number;
  readonly pictures: number;
  readonly made: string;
}

/** A word among others by which a file is chosen. */
function FilePick({
  accept,
  disabled,
  onFile,
  children,
}: {
  accept: string;
  disabled: boolean;
  onFile: (file: File) => void;
  children: ReactNode;
}) {
  return (
    <label className="plain cursor-pointer">
      {children}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        disabled={disabled}
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </label>
  );
}

export function Firm({
  backups,
  busy,
  ask,
}: {
  /** What is said of backups made by themselves; null: none are. */
  backups: string | null;
  busy: boolean;
  /** Asks the server, and tells where it refuses. */
  ask: (url: string, init: RequestInit) => Promise<Record<string, unknown> | null>;
}) {
  const router = useRouter();
  const [taken, setTaken] = useState('');
  const [restored, setRestored] = useState<Restored | null>(null);
  const restore = async (file: File) => {
    const body = await ask('/api/restore', { method: 'POST', headers: { 'content-type': 'application/zip' }, body: file });
    setRestored(body as unknown as Restored | null);
  };
  const takeShelf = async (file: File) => {
    const body = await ask('/api/shelf', { method: 'POST', headers: { 'content-type': 'application/json' }, body: file });
    setTaken(body ? `${String(body.added)} added, ${String(body.replaced)} replaced.` : '');
    router.refresh();
  };
  return (
    <>
      <p className="mt-2 text-[12px] text-quiet">
        <a className="plain" href="/api/backup" download>
          back up everything
        </a>{' '}
        in one archive, pictures and history with it. {backups ?? 'None is made by itself: SOLENIX_BACKUPS names a folder for them.'} A copy
        of the database file alone lacks what was written in the last moments.{' '}
        <FilePick accept=".zip,application/zip" disabled={busy} onFile={(file) => void restore(file)}>
          restore a backup
        </FilePick>{' '}
        into a folder of its own; the boats here are not touched. Cards, sets of rules and lines:{' '}
        <a className="plain" href="/api/shelf" download>
          out as a file
        </a>
        ,{' '}
        <FilePick accept=".json,application/json" disabled={busy} onFile={(file) => void takeShelf(file)}>
          in from one
        </FilePick>
        .{' '}
        <Link className="plain" href="/access" prefetch={false}>
          who is in
        </Link>
        .{' '}
        <Link className="plain" href="/firm" prefetch={false}>
          due work, hours and what was learned over all boats
        </Link>
      </p>
      {taken ? (
        <p role="status" className="mt-3">
          {taken}
        </p>
      ) : null}
      {restored ? (
        <p role="status" className="mt-3 border-l-4 border-verdigris pl-3">
          The backup of {restored.made.slice(0, 16).replace('T', ' ')} UTC is whole: {restored.boats} boats, {restored.pictures} pictures,
          every file by its checksum. It stands in <span className="reading break-all">{restored.folder}</span>; start with SOLENIX_DATA set
          to that folder to go on from it.
        </p>
      ) : null}
    </>
  );
}
