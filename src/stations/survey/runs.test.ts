import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import type { Finding } from '@/core';
import { bareBoat, withLoad } from '@/core/design/testing';
import { Runs, worstByCircuit, type RunsShown } from './Runs';

const finding = (id: string, severity: Finding['severity'], accepted = false): Finding => ({
  id: `${severity}:${id}`,
  rule: severity,
  severity,
  about: { kind: 'circuit', id },
  title: `${severity} of ${id}`,
  why: '',
  todo: '',
  ...(accepted ? { accepted: { by: 'x', why: 'y' } } : {}),
});
const design = withLoad(bareBoat('metric'), { rating: 24, placeId: 'fore' }, 6);
const drawn = (shown: RunsShown, findings: readonly Finding[], chosenId: string | null = null) =>
  renderToStaticMarkup(
    createElement(
      'svg',
      null,
      createElement(Runs, {
        design,
        shown,
        chosenId,
        worst: worstByCircuit(findings),
        onChoose: () => undefined,
        to: (p) => [p.x, p.y] as const,
        view: 'plan',
      }),
    ),
  );
const runs = (html: string) => [...html.matchAll(/data-run="plan-([^"]+)"/g)].map((m) => m[1]);

test('the worst open finding speaks for a circuit; what is accepted is silent', () => {
  const list = [finding('a', 'stop', true), finding('a', 'fix'), finding('a', 'note'), finding('b', 'note')];
  expect([...worstByCircuit(list)].map(([id, f]) => [id, f.severity])).toEqual([
    ['a', 'fix'],
    ['b', 'note'],
  ]);
});

test('shown are none, those to be settled, or all; what is chosen always, and on top', () => {
  const found = [finding('c-x', 'fix'), finding('c-main', 'note')];
  expect(runs(drawn('none', found))).toEqual([]);
  expect(runs(drawn('to be settled', found))).toEqual(['c-x']);
  expect(runs(drawn('all', found))).toHaveLength(design.circuits.length);
  expect(runs(drawn('to be settled', found, 'c-main'))).toEqual(['c-x', 'c-main']);
});

test('coloured and labelled: red lead and the word for what must be settled, the name for what is merely chosen', () => {
  const settle = drawn('all', [finding('c-x', 'stop')]);
  expect(settle).toContain('stroke="var(--lead)"');
  expect(settle).toMatch(/>stop 9</);
  expect(settle).toContain('aria-label="run of 9 Thing, plan, stop 9: stop of c-x"');
  const chosen = drawn('none', [], 'c-x');
  expect(chosen).toContain('stroke="var(--verdigris)"');
  expect(chosen).toMatch(/>9 Thing</);
});
