import type { ChildProcess, StdioOptions } from 'node:child_process';

export const root: string;
export const env: NodeJS.ProcessEnv;
export const chromiumOptions: { executablePath: string; args: string[] };
export function run(command: string, args: readonly string[], extra?: object): unknown;
export function install(): void;
export function build(): void;
export function freePort(wanted: number): Promise<number>;
export function serve(port: number, data: string, stdio?: StdioOptions, more?: Readonly<Record<string, string>>): ChildProcess;
export function answering(url: string, patienceMs?: number): Promise<void>;
export function seed(data: string, stdio?: StdioOptions): void;
