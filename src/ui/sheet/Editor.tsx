import { useEffect, useId, useRef } from 'react';
import type { Column, Entry } from './types';

interface Props<Row> {
  readonly entry: Entry;
  readonly column: Column<Row> | undefined;
  readonly options: readonly string[] | undefined;
  readonly onTyping: (text: string) => void;
  /** @returns whether the text was understood and the editor closes. */
  readonly onCommit: (text: string, then: 'down' | 'right' | 'left' | 'stay') => boolean;
  readonly onCancel: () => void;
}

/** The entry in a cell. What is not understood stays, with the reason under it. */
export function Editor<Row>({ entry, column, options, onTyping, onCommit, onCancel }: Props<Row>) {
  const input = useRef<HTMLInputElement>(null);
  const done = useRef(false);
  const id = useId();
  /** Closing moves the focus, which must not take the entry a second time. */
  const take = (then: 'down' | 'right' | 'left' | 'stay') => {
    if (done.current) return;
    done.current = true;
    done.current = onCommit(entry.text, then);
  };
  useEffect(() => {
    const field = input.current;
    field?.focus();
    field?.setSelectionRange(field.value.length, field.value.length);
  }, []);
  return (
    <>
      <input
        ref={input}
        className="cell-editor"
        inputMode={column?.mono && column.align === 'right' ? 'decimal' : 'text'}
        aria-label={column?.title}
        aria-invalid={entry.message !== null}
        aria-describedby={entry.message ? `${id}-message` : undefined}
        list={options ? `${id}-options` : undefined}
        value={entry.text}
        spellCheck={false}
        onChange={(e) => onTyping(e.target.value)}
        onBlur={() => take('stay')}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'Enter') take('down');
          else if (e.key === 'Tab') take(e.shiftKey ? 'left' : 'right');
          else if (e.key === 'Escape') {
            done.current = true;
            onCancel();
          } else return;
          e.preventDefault();
        }}
      />
      {options ? (
        <datalist id={`${id}-options`}>
          {options.map((o) => (
            <option key={o} value={o} />
          ))}
        </datalist>
      ) : null}
      {entry.message ? (
        <div id={`${id}-message`} role="alert" className="cell-message">
          {entry.message}
        </div>
      ) : null}
    </>
  );
}
