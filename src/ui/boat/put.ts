'use client';
import { setOp } from '@/core/design';
import { useStore } from './context';

/** Sets one field of the design by its path, with a label for undo. */
export function usePut(): (path: readonly string[], value: unknown, label: string) => void {
  const store = useStore();
  return (path, value, label) => store.edit(label, [setOp(store.snapshot().design, path, value)]);
}
