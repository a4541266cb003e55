import { strToU8, zipSync } from 'fflate';
import writeExcelFile from 'write-excel-file/node';
import { decodeText, readTable } from './spreadsheet';

const rowsOf = async (bytes: Uint8Array): Promise<readonly (readonly string[])[]> => {
  const table = await readTable(bytes);
  if (!table.ok) throw new Error(table.message);
  return table.sheets[0]?.rows ?? [];
};
const refusalOf = async (bytes: Uint8Array): Promise<string> => {
  const table = await readTable(bytes);
  return table.ok ? '' : table.message;
};
const utf16 = (text: string, big: boolean, mark: boolean): Uint8Array => {
  const out = new Uint8Array((text.length + (mark ? 1 : 0)) * 2);
  const view = new DataView(out.buffer);
  [...(mark ? '\uFEFF' : ''), ...text].forEach((c, i) => view.setUint16(i * 2, c.charCodeAt(0), !big));
  return out;
};
const latin = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));

const text = 'Load;W;place\nKühlschrank;45,5;Pantry\n';
const rows = [
  ['Load', 'W', 'place'],
  ['Kühlschrank', '45,5', 'Pantry'],
];

test.each([
  ['UTF-8', strToU8(text)],
  ['UTF-8 with its mark', strToU8(`\uFEFF${text}`)],
  ['UTF-16, little end first', utf16(text, false, true)],
  ['UTF-16, big end first', utf16(text, true, true)],
  ['UTF-16 without a mark', utf16(text, false, false)],
  ['Western Latin', latin(text)],
])('%s is read alike', async (_, bytes) => expect(await rowsOf(bytes)).toEqual(rows));

test.each([
  [',', 'a,b\n1,2\n'],
  [';', 'a;b\n1;2\n'],
  ['tab', 'a\tb\n1\t2\n'],
  ['|', 'a|b\r\n1|2\r\n'],
])('separated by %s', async (_, csv) =>
  expect(await rowsOf(strToU8(csv))).toEqual([
    ['a', 'b'],
    ['1', '2'],
  ]),
);

test('quotes, line breaks inside them and empty lines', async () =>
  expect(await rowsOf(strToU8('a,b\n"x, ""y""","two\nlines"\n\n,\n'))).toEqual([
    ['a', 'b'],
    ['x, "y"', 'two\nlines'],
  ]));
test('an apostrophe that guarded a formula comes off', async () =>
  expect((await rowsOf(strToU8("a,b\n'=1+1,'tis\n")))[1]).toEqual(['=1+1', "'tis"]));

test('a workbook: text, numbers, dates and empty cells', async () => {
  const file = await writeExcelFile([
    [{ value: 'Load' }, { value: 'W' }, { value: 'since' }],
    [{ value: 'Lamp' }, { value: 12.5 }, { type: Date, value: new Date(Date.UTC(2026, 4, 31)), format: 'yyyy-mm-dd' }],
    [{ value: 'Fan' }, null, null],
  ]).toBuffer();
  expect(await rowsOf(new Uint8Array(file))).toEqual([
    ['Load', 'W', 'since'],
    ['Lamp', '12.5', '2026-05-31'],
    ['Fan', '', ''],
  ]);
});

test.each([
  ['an empty file', new Uint8Array(), 'empty'],
  ['only separators', strToU8(',,,\n,,\n'), 'no rows'],
  ['an old workbook', Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1]), '.xls'],
  ['a zip that is no workbook', zipSync({ 'a.txt': strToU8('x') }), 'no workbook'],
  ['half a zip', zipSync({ 'xl/workbook.xml': strToU8('x'.repeat(5000)) }).subarray(0, 60), 'workbook'],
  ['a workbook of nonsense', zipSync({ 'xl/workbook.xml': strToU8('<nothing/>') }), 'damaged'],
  ['a picture', Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3, 4, 5]), 'neither'],
  ['a bomb', zipSync({ 'xl/workbook.xml': strToU8('<x/>'), 'xl/big.xml': new Uint8Array(90_000_000) }), 'unfolds'],
  ['more rows than are taken', strToU8('a\n'.repeat(10_002)), '10000 at most'],
  ['more columns than are taken', strToU8(`${'a,'.repeat(300)}b\n1\n`), 'columns'],
])('%s is refused in words', async (_, bytes, word) => expect(await refusalOf(bytes)).toContain(word));

test('short Latin text is not mistaken for UTF-16', () => expect(decodeText(latin('é'))).toBe('é'));
