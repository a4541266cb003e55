'use client';
/** The records of the boat at hand, read when a screen first asks for them and again when the server tells of new ones. */
import { useEffect } from 'react';
import { useStore as useZustand } from 'zustand';
import { Book, type BookState } from './book';
import { useBoat, useStore } from './context';

const books = new Map<string, Book>();

export function useBook(): BookState & { readonly add: Book['add'] } {
  const store = useStore();
  let book = books.get(store.boatId);
  if (!book) books.set(store.boatId, (book = new Book(store.boatId, store.looksOnly)));
  const own = book;
  const newest = useBoat((s) => s.recorded);
  useEffect(() => {
    void own.pull();
  }, [own, newest]);
  const state = useZustand(own.state);
  return {
    ...state,
    add: (rows) => {
      const taken = own.add(rows);
      if (!taken) store.say('refused', 'This link shows the boat: nothing is ticked by it.');
      return taken;
    },
  };
}
