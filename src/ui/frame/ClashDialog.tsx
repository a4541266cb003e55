'use client';
import { valueAt } from '@/core/design';
import { useBoat, useStore } from '@/ui/boat/context';
import { Dialog } from './Dialog';

const shown = (value: unknown): string =>
  value === null || value === undefined ? 'nothing' : typeof value === 'object' ? JSON.stringify(value).slice(0, 300) : String(value);

/** An edit of ours met another value: both are shown to its author, neither is lost. */
export function ClashDialog() {
  const { clashes, design } = useBoat((s) => ({ clashes: s.clashes, design: s.design }));
  const store = useStore();
  const [clash] = clashes;
  if (!clash) return null;
  const name = (path: readonly string[]) => {
    const row = valueAt(design, path.slice(0, 2));
    const title = typeof row === 'object' && row !== null && 'name' in row ? String(row.name) : (path[0] ?? '');
    return [title, ...path.slice(2)].join(', ');
  };
  return (
    <Dialog
      open
      onClose={() => store.settle(clash, false)}
      title={clash.step ? 'Changed by somebody since' : 'Changed in another window meanwhile'}
      about={
        clash.step
          ? `${clash.step === 'undo' ? 'Taking back' : 'Putting back'} "${clash.edit.label}" meets what somebody has set since. Choose which to keep.`
          : `Your edit "${clash.edit.label}" was made on a value that has moved on. Choose which to keep.`
      }
    >
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-ink text-quiet">
            <th className="py-1 font-medium">what</th>
            <th className="font-medium">{clash.step ? 'you had set' : 'you saw'}</th>
            <th className="font-medium">{clash.step ? 'would be' : 'yours'}</th>
            <th className="font-medium">{clash.step ? 'is now' : 'theirs'}</th>
          </tr>
        </thead>
        <tbody>
          {clash.conflicts.map((c) => (
            <tr key={c.path.join('/')} className="border-b border-line align-top">
              <td className="py-1 pr-2">{name(c.path)}</td>
              <td className="reading pr-2 break-all text-faint">{shown(c.base)}</td>
              <td className="reading pr-2 font-semibold break-all text-copper">{shown(c.mine)}</td>
              <td className="reading font-semibold break-all">{shown(c.theirs)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-4 flex gap-3">
        <button type="button" className="act" onClick={() => store.settle(clash, true)}>
          {clash.step === 'undo' ? 'Take it back' : clash.step === 'redo' ? 'Put it back' : 'Keep mine'}
        </button>
        <button type="button" className="act" onClick={() => store.settle(clash, false)}>
          {clash.step ? 'Leave it as it is' : 'Keep theirs'}
        </button>
      </div>
    </Dialog>
  );
}
