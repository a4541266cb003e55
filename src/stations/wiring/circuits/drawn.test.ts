/** What is drawn without a boat on the table: the ladder, plain lists, a working's lines, a scratch answer. */
import { createElement, type ComponentType } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { circuitWorking, type CircuitResult, type Ladder } from '@/core';
import type { Circuit } from '@/core/design';
import { scratch } from '@/core/scratch';
import type { WorkedCircuit } from '@/core/circuit';
import { workedOf } from '@/core/analysis/testing';
import { bareBoat, withLoad } from '@/core/design/testing';
import { ScratchCard } from '@/ui/scratch/ScratchCard';
import { Plain } from '@/ui/table/Plain';
import { View, Viewed, Views } from '@/ui/views/Views';
import { Sections } from '@/ui/working/Sections';
import { LadderChart } from './LadderChart';

const draw = <P extends object>(what: ComponentType<P>, props: P): string => renderToStaticMarkup(createElement(what, props));
const texts = (html: string): string => html.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' ');
const worked = (circuit: Partial<Circuit> = {}, load: object = {}, school: 'awg' | 'metric' = 'metric'): WorkedCircuit =>
  workedOf(withLoad(bareBoat(school), { rating: 240, placeId: 'saloon', supply: 'house switch', ...load }, 4, circuit));
const resultOf = (...of: Parameters<typeof worked>): CircuitResult => worked(...of).result;
const pin = (size: string, school: 'awg' | 'metric' = 'metric'): Partial<Circuit> => ({
  pin: { size: { school, size }, legs: 1, family: null, ratingA: null, ownDevices: false },
});
const ladderOf = (ladder: Ladder, other = 'beside'): string => draw(LadderChart, { ladder, other, studied: null });

describe('the ladder drawn', () => {
  test('names every test, the size each asks for, what governs and what is chosen', () => {
    const { ladder } = resultOf().own;
    const html = ladderOf(ladder);
    const label = /aria-label="(Ladder\..*?)"/.exec(html)?.[1] ?? '';
    for (const rung of ladder.rungs.filter((r) => r.applies && r.smallest)) expect(label).toContain(`${rung.smallest ?? ''} mm²`);
    expect(label).toContain(', governs');
    expect(label).toMatch(/Chosen \S+ mm²\.$/);
    expect(texts(html)).toContain('chosen');
    expect(texts(html)).toContain('beside');
  });
  test('marks what is pinned, and what it fails in red lead', () => {
    const html = ladderOf(resultOf(pin('1')).own.ladder);
    expect(texts(html)).toContain('pinned');
    expect(html).toContain('stroke="var(--copper)"');
    expect(html).toContain('var(--lead)');
    expect(ladderOf(resultOf().own.ladder)).not.toContain('var(--lead)');
  });
  test('a test no size passes says so at the end of the axis', () =>
    expect(texts(ladderOf(resultOf({}, { makerWire: [{ school: 'metric', size: '150', upToM: 1 }] }).own.ladder))).toContain(
      'none passes',
    ));
  test('tests with nothing to say are not asked', () => expect(texts(ladderOf(resultOf().own.ladder))).toContain('not asked'));
  test('the AWG axis runs from thin to thick', () => {
    const words = texts(ladderOf(resultOf({}, {}, 'awg').own.ladder));
    expect(words.indexOf('18 16 14')).toBeGreaterThan(-1);
    expect(words).toContain('4/0');
  });
  test('conductors are drawn to the scale of their copper', () => {
    const radii = [...ladderOf(resultOf().own.ladder).matchAll(/<circle[^>]* r="([\d.]+)"/g)].map((m) => Number(m[1]));
    expect(radii).toHaveLength(15);
    expect([...radii].sort((a, b) => a - b)).toEqual(radii);
    // 150 mm2 against 50 mm2: radius as the root of the area.
    expect((radii[14] ?? 0) / (radii[10] ?? 1)).toBeCloseTo(Math.sqrt(3), 1);
  });
});

describe('a working’s lines', () => {
  const working = circuitWorking([worked(pin('1'))], bareBoat('metric').boat);
  const html = working ? draw(Sections, { sections: working.sections }) : '';
  test('carry label, figure with unit, formula, mark and source', () => {
    expect(texts(html)).toContain('240 W ÷ 11.4 V, lowest bank volts');
    expect(html).toContain('tone-typical');
    expect(texts(html)).toContain('measured , taped; the estimate was');
  });
  test('a broken limit stands in red lead', () => expect(html).toContain('text-lead'));
  test('each section has its head once', () => expect(html.match(/<h3/g)).toHaveLength(working?.sections.length ?? -1));
});

describe('plain lists', () => {
  const html = draw(Plain, {
    label: 'Things',
    columns: [{ title: 'what' }, { title: 'A', right: true }],
    rows: [
      { id: '1', cells: ['lamp', '5'] },
      { id: '2', cells: [createElement('b', { key: 'b' }, 'fan'), ''] },
    ],
  });
  test('have a name, heads and a row for each', () => {
    expect(html).toContain('aria-label="Things"');
    expect(html.match(/<th /g)).toHaveLength(2);
    expect(html.match(/<tr /g)).toHaveLength(3);
    expect(html).toContain('<b>fan</b>');
  });
  test('figures stand to the right', () => expect(html).toMatch(/<td class="[^"]*text-right[^"]*">5<\/td>/));
  test('text is shown as text', () =>
    expect(draw(Plain, { label: 'x', columns: [{ title: 'a' }], rows: [{ id: '1', cells: ['<script>'] }] })).toContain('&lt;script&gt;'));
});

test('the sheets of a station: one is on top, and named by its tab', () => {
  const sheets = createElement(Views<'a' | 'b'>, { views: ['a', 'b'], label: 'Sheets' });
  const screen = { showing: 'b' as const, onShow: () => undefined };
  const Screen = () => createElement(Viewed<'a' | 'b'>, screen, sheets, createElement(View, { of: 'b' }, 'beside'));
  const html = draw(Screen, {});
  expect(html).toMatch(/role="tab"[^>]*aria-selected="false"[^>]*>a</);
  const [, panel] = /role="tab"[^>]*aria-selected="true"[^>]*aria-controls="([^"]+)"[^>]*>b</.exec(html) ?? [];
  expect(html).toMatch(new RegExp(`role="tabpanel"[^>]*id="${panel}"[^>]*>beside<`));
});

describe('a scratch answer', () => {
  const units = bareBoat('metric').boat;
  test('says size, device, drop, what governs and what was taken for granted', () => {
    const words = texts(draw(ScratchCard, { result: scratch('12 A pump 12 V 7 m', null), units }));
    for (const word of [
      '4 mm²',
      '15 A',
      'blade fuse',
      '% drop',
      'governed by drop',
      '12 A over 7 m and back',
      'The AWG school would take',
      'Taken for granted',
    ])
      expect(words).toContain(word);
  });
  test('says what is missing', () =>
    expect(texts(draw(ScratchCard, { result: scratch('12 A', null), units }))).toContain('a distance one way is needed'));
});
