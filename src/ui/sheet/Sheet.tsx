'use client';
/** A dense, editable sheet. Arrows move, typing edits, Enter and Tab take the entry, blocks are copied and pasted. */
import {
  Fragment,
  useCallback,
  useEffect,
  useId,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
  type KeyboardEvent,
  type MouseEvent,
} from 'react';
import { brief } from '@/core/quantity';
import { Editor } from './Editor';
import { SheetHead, type Sorting } from './SheetHead';
import { SheetRow } from './SheetRow';
import { useBlocks } from './useBlocks';
import { useShown } from './useShown';
import type { Change, Column, Entry } from './types';

interface Props<Row extends { readonly id: string }> {
  readonly label: string;
  readonly rows: readonly Row[];
  readonly columns: readonly Column<Row>[];
  readonly selectedId: string | null;
  readonly onSelect: (row: Row) => void;
  readonly onChange: (change: Change<Row>) => void;
  /** What the unfinished entry would do; null when it is given up. */
  readonly onLook?: (change: Change<Row> | null) => void;
  readonly onDelete?: (rows: readonly Row[]) => void;
  readonly onDuplicate?: (row: Row) => void;
  readonly onRefuse: (message: string) => void;
  readonly blank?: () => Row;
  readonly most?: number;
  readonly filter?: string;
  /** Enter takes the entry and stays, so that its consequence is seen. */
  readonly enterStays?: boolean;
}

interface Cell {
  readonly row: number;
  readonly col: number;
}

export function Sheet<Row extends { readonly id: string }>(props: Props<Row>) {
  const {
    label,
    columns,
    selectedId,
    onSelect,
    onChange,
    onLook,
    onDelete,
    onDuplicate,
    onRefuse,
    blank,
    most = 500,
    filter = '',
    enterStays = false,
  } = props;
  const [sorting, setSorting] = useState<Sorting | null>(null);
  const [active, setActive] = useState<Cell>({ row: 0, col: 0 });
  const [anchor, setAnchor] = useState<Cell | null>(null);
  const [entry, setEntry] = useState<Entry | null>(null);
  /** The row as it stood before the entry began: what is shown meanwhile already has the entry in it. */
  const [origin, setOrigin] = useState<Row | null>(null);
  /** The row added last: the cursor goes into it. */
  const [fresh, setFresh] = useState<string | null>(null);
  const grid = useRef<HTMLDivElement>(null);
  /** The pointer that went down last was a finger. */
  const touched = useRef(false);
  const body = useRef<HTMLDivElement>(null);
  const gridId = useId();
  const blocks = useBlocks();

  const rows = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    const kept =
      wanted === ''
        ? [...props.rows]
        : props.rows.filter((row) => columns.some((c) => (c.show ?? c.text)(row).toLowerCase().includes(wanted)));
    const column = sorting && columns.find((c) => c.key === sorting.key);
    if (!column) return kept;
    const value = column.sort ?? column.text;
    const direction = sorting.down ? -1 : 1;
    return kept.sort((a, b) => {
      const [x, y] = [value(a), value(b)];
      return (
        direction * (typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y), 'en', { numeric: true }))
      );
    });
  }, [props.rows, columns, filter, sorting]);

  // What is selected elsewhere is where the cursor stands here too; a row just added is begun at its first cell.
  const [followed, setFollowed] = useState({ id: selectedId, count: props.rows.length });
  const added = props.rows.length > followed.count && selectedId !== followed.id;
  if (selectedId !== followed.id || props.rows.length !== followed.count) {
    setFollowed({ id: selectedId, count: props.rows.length });
    const index = selectedId === followed.id ? -1 : rows.findIndex((r) => r.id === selectedId);
    if (index >= 0 && index !== active.row) setActive({ row: index, col: added ? 0 : active.col });
    if (added && index >= 0) setFresh(selectedId);
  }
  useEffect(() => {
    if (fresh !== null) grid.current?.focus({ preventScroll: true });
  }, [fresh]);

  const at: Cell = { row: Math.min(active.row, Math.max(0, rows.length - 1)), col: Math.min(active.col, columns.length - 1) };
  const row = rows[at.row];
  const column = columns[at.col];

  const go = (to: Cell, extend = false) => {
    const next = { row: Math.max(0, Math.min(rows.length - 1, to.row)), col: Math.max(0, Math.min(columns.length - 1, to.col)) };
    setAnchor((old) => (extend ? (old ?? at) : null));
    setActive(next);
    const target = rows[next.row];
    if (target && target.id !== selectedId) onSelect(target);
  };

  const shown = useShown(body, rows.length, at.row);
  const { reveal } = shown;
  useEffect(() => {
    reveal(at.row);
    grid.current?.querySelector('[data-active="true"]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    // Where it scrolls itself the row is not brought back.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [at.row, at.col]);

  const close = useCallback(() => {
    setEntry(null);
    onLook?.(null);
    grid.current?.focus({ preventScroll: true });
  }, [onLook]);

  /** Shows what an unfinished entry would do. */
  const look = (target: Row, into: Column<Row>, text: string) => {
    const parsed = into.write?.(target, text);
    if (parsed?.ok) onLook?.({ label: '', patches: [{ row: target, patch: parsed.value }], added: [] });
  };

  const begin = (text: string | null) => {
    if (!row || !column?.write) return;
    setOrigin(row);
    setEntry({ rowId: row.id, col: at.col, text: text ?? brief(column.text(row)), message: null });
    if (text !== null) look(row, column, text);
  };

  /** Takes the text into the cell. @returns whether it was understood. */
  const commit = (text: string): boolean => {
    const target = origin;
    const into = entry && columns[entry.col];
    if (!entry || !target || !into?.write) return true;
    if (text === into.text(target) || text === brief(into.text(target))) {
      close();
      return true;
    }
    const parsed = into.write(target, text);
    if (!parsed.ok) {
      setEntry({ ...entry, text, message: parsed.message });
      return false;
    }
    // The edit takes the place of what was looked at: to take that back first would have everything worked out twice more.
    onChange({ label: `${into.title} of ${nameOf(target)}`, patches: [{ row: target, patch: parsed.value }], added: [] });
    close();
    return true;
  };

  const typing = (text: string) => {
    if (!entry) return;
    const into = columns[entry.col];
    setEntry({ ...entry, text, message: null });
    if (origin && into) look(origin, into, text);
  };

  const chosen = () => {
    const a = anchor ?? at;
    return { top: Math.min(a.row, at.row), bottom: Math.max(a.row, at.row), left: Math.min(a.col, at.col), right: Math.max(a.col, at.col) };
  };

  const clear = () => {
    const { top, bottom, left, right } = chosen();
    const patches = rows.slice(top, bottom + 1).flatMap((r) => {
      let patch: Partial<Row> = {};
      for (const c of columns.slice(left, right + 1)) {
        const parsed = c.write?.(r, '');
        if (parsed?.ok) patch = { ...patch, ...parsed.value };
      }
      return Object.keys(patch).length > 0 ? [{ row: r, patch }] : [];
    });
    if (patches.length > 0) onChange({ label: 'clear cells', patches, added: [] });
    else onRefuse('This cell cannot be empty.');
  };

  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>) => {
    if (entry || event.target !== grid.current) return;
    const moves: Record<string, Cell> = {
      ArrowUp: { row: at.row - 1, col: at.col },
      ArrowDown: { row: at.row + 1, col: at.col },
      ArrowLeft: { row: at.row, col: at.col - 1 },
      ArrowRight: { row: at.row, col: at.col + 1 },
      Home: { row: event.ctrlKey ? 0 : at.row, col: 0 },
      End: { row: event.ctrlKey ? rows.length - 1 : at.row, col: columns.length - 1 },
      PageUp: { row: at.row - 12, col: at.col },
      PageDown: { row: at.row + 12, col: at.col },
    };
    const move = moves[event.key];
    if (event.altKey) return;
    if (move) go(move, event.shiftKey);
    else if (event.key === 'Enter' || event.key === 'F2') begin(null);
    else if (event.key === ' ' && column?.yesNo && row) onChangeYesNo(row, column);
    else if ((event.key === 'Delete' || event.key === 'Backspace') && (event.ctrlKey || event.metaKey))
      onDelete?.(rows.slice(chosen().top, chosen().bottom + 1));
    else if (event.key === 'Delete' || event.key === 'Backspace') clear();
    else if (event.key.toLowerCase() === 'd' && (event.ctrlKey || event.metaKey) && row) onDuplicate?.(row);
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && event.key !== '?') begin(event.key);
    else return;
    event.preventDefault();
  };

  const onChangeYesNo = (target: Row, into: Column<Row>) => {
    const parsed = into.write?.(target, into.text(target) === 'yes' ? 'no' : 'yes');
    if (parsed?.ok) onChange({ label: `${into.title} of ${nameOf(target)}`, patches: [{ row: target, patch: parsed.value }], added: [] });
  };

  const onCopy = (event: ClipboardEvent) => {
    if (entry) return;
    event.preventDefault();
    const { top, bottom, left, right } = chosen();
    const cells = rows.slice(top, bottom + 1).map((r) => columns.slice(left, right + 1).map((c) => c.text(r)));
    if (blocks.now) event.clipboardData.setData('text/plain', blocks.now.toBlock(cells));
    else
      blocks
        .ready()
        .then(({ toBlock }) => navigator.clipboard.writeText(toBlock(cells)))
        .catch(() => onRefuse('Nothing was copied: the server did not answer. Copy again.'));
  };

  const onPaste = (event: ClipboardEvent) => {
    if (entry) return;
    event.preventDefault();
    const text = event.clipboardData.getData('text/plain');
    const lay = ({ layBlock }: NonNullable<typeof blocks.now>) => {
      const result = layBlock(text, rows, columns, rows.length === 0 ? { row: 0, col: 0 } : at, blank, most);
      if (!result.ok) onRefuse(result.message);
      else if (result.change.patches.length + result.change.added.length > 0) onChange(result.change);
    };
    if (blocks.now) lay(blocks.now);
    else
      blocks
        .ready()
        .then(lay)
        .catch(() => onRefuse('Nothing was pasted: the server did not answer. Paste again.'));
  };

  const range = chosen();
  /** The cell an event happened in, unless it is being edited. */
  const cellOf = (target: EventTarget): Cell | null => {
    const cell = target instanceof Element ? target.closest<HTMLElement>('[role=gridcell]') : null;
    const rowId = cell?.closest<HTMLElement>('[data-row-id]')?.dataset.rowId;
    const found = { row: rows.findIndex((r) => r.id === rowId), col: columns.findIndex((c) => c.key === cell?.dataset.col) };
    if (found.row < 0 || found.col < 0 || (entry?.rowId === rowId && entry?.col === found.col)) return null;
    return found;
  };
  const onMouseDown = (event: MouseEvent) => {
    const cell = cellOf(event.target);
    if (!cell) return;
    event.preventDefault();
    go(cell, event.shiftKey);
    // A finger taps once: what opens beside may cover the cell before it is lifted.
    if (touched.current) return onDoubleClick(event);
    grid.current?.focus({ preventScroll: true });
  };
  const onDoubleClick = (event: MouseEvent) => {
    const cell = cellOf(event.target);
    const target = cell && rows[cell.row];
    const into = cell && columns[cell.col];
    if (!target || !into?.write) return;
    setOrigin(target);
    setEntry({ rowId: target.id, col: cell.col, text: brief(into.text(target)), message: null });
  };

  return (
    <div
      ref={grid}
      role="grid"
      aria-label={label}
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length}
      aria-activedescendant={row ? `${gridId}-${row.id}-${at.col}` : undefined}
      tabIndex={0}
      className="sheet"
      onKeyDown={onKeyDown}
      onMouseDown={onMouseDown}
      onDoubleClick={onDoubleClick}
      onPointerDown={(e) => {
        touched.current = e.pointerType === 'touch';
      }}
      onFocus={blocks.soon}
      onCopy={onCopy}
      onPaste={onPaste}
    >
      <div role="rowgroup" className="sheet-head">
        <SheetHead columns={columns} sorting={sorting} onSort={setSorting} />
      </div>
      <div role="rowgroup" ref={body}>
        {shown.rows.map(({ index: i, gapPx }) => {
          const r = rows[i];
          return r ? (
            <Fragment key={r.id}>
              {gapPx > 0 ? <div role="presentation" style={{ height: gapPx }} /> : null}
              <SheetRow
                row={r}
                index={i}
                gridId={gridId}
                columns={columns}
                selected={r.id === selectedId}
                activeCol={i === at.row ? at.col : -1}
                left={i >= range.top && i <= range.bottom && anchor ? range.left : -1}
                right={i >= range.top && i <= range.bottom && anchor ? range.right : -1}
                entry={entry?.rowId === r.id ? entry : null}
                editor={
                  entry?.rowId === r.id ? (
                    <Editor
                      entry={entry}
                      column={columns[entry.col]}
                      options={optionsOf(columns[entry.col], r)}
                      onTyping={typing}
                      onCommit={(text, then) => {
                        if (!commit(text)) return false;
                        if (then === 'down' && !enterStays) go({ row: at.row + 1, col: at.col });
                        else if (then === 'right') go({ row: at.row, col: at.col + 1 });
                        else if (then === 'left') go({ row: at.row, col: at.col - 1 });
                        return true;
                      }}
                      onCancel={close}
                    />
                  ) : null
                }
              />
            </Fragment>
          ) : null;
        })}
        {shown.tailPx > 0 ? <div role="presentation" style={{ height: shown.tailPx }} /> : null}
      </div>
    </div>
  );
}

const optionsOf = <Row,>(column: Column<Row> | undefined, row: Row): readonly string[] | undefined =>
  typeof column?.options === 'function' ? column.options(row) : column?.options;

const nameOf = (row: object): string => ('name' in row && typeof row.name === 'string' ? row.name : 'row');
