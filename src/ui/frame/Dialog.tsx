'use client';
import dynamic from 'next/dynamic';
import type { DialogProps } from './DialogSheet';

export const fetchDialog = () => import('./DialogSheet');
const DialogSheet = dynamic(fetchDialog, { ssr: false });

/** A sheet of paper over the table: title, words, what is to be done. It arrives when the first is opened. */
export const Dialog = ({ open, ...props }: DialogProps & { readonly open: boolean }) => (open ? <DialogSheet {...props} /> : null);
