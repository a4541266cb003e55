/** The compiled time loop (kernel/), each instance with a memory of its own. */
import type { Totals } from './books';
import { KERNEL } from './kernel.wasm';

/** The address of a row of the kernel's memory. */
interface Row {
  readonly value: number;
}

/** What kernel/index.ts exports. */
export interface Kernel extends Readonly<Record<keyof Totals | 'curves' | 'given' | 'soc' | 'windPart' | 'behind', Row>> {
  readonly memory: { readonly buffer: ArrayBuffer; readonly grow: (pages: number) => number };
  // Each lays the record of what stands in given.
  readonly boat: () => void;
  readonly bank: (at: number) => void;
  readonly tie: (at: number) => void;
  readonly source: (at: number) => void;
  /** x to the power of y, x above 0: for the tests. */
  readonly raised: (x: number, y: number) => number;
  readonly begin: () => void;
  readonly run: (day: number, steps: number, sun: number, use: number, motor: number, lean: number, trace: number) => void;
}

/** WebAssembly, which the language's own library does not declare. */
interface Platform {
  readonly WebAssembly: {
    readonly Module: new (bytes: Uint8Array) => object;
    readonly Instance: new (module: object) => { readonly exports: unknown };
  };
}
const { WebAssembly } = globalThis as unknown as Platform;

let compiled: object | null = null;

export function instance(): Kernel {
  compiled ??= new WebAssembly.Module(Uint8Array.from(KERNEL.match(/../g) ?? [], (byte) => parseInt(byte, 16)));
  return new WebAssembly.Instance(compiled).exports as Kernel;
}
