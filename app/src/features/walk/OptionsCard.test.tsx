import { causes, localDate } from '@alfombra/core';
import { decideOptions } from '@alfombra/core/walking';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fireEvent, render, screen } from '@testing-library/react';
import '@/i18n/deepWords';
import { i18next } from '@/i18n';
import { OptionsCard } from './OptionsCard';

const advice = (cause: string, known: Record<string, boolean> = {}) =>
  decideOptions({
    cause,
    p: 0.9,
    named: false,
    main: 'st-augustine',
    grassNamed: true,
    upkeep: 'standard',
    irrigated: true,
    today: localDate('2026-07-10'),
    weeksLeft: 16,
    damagedShare: 0.3,
    livingCover: 0.8,
    known,
  });

it('offers what is allowed, says why not the rest, and hands on the first follow-up', () => {
  const chosen: unknown[] = [];
  render(
    <OptionsCard
      advice={advice('chinch-bug', { 't-chinch': true, 'c-expanding': true })}
      cause="chinch-bug"
      chosen={null}
      onChoose={(...given) => chosen.push(...given)}
    />,
  );
  expect(screen.getByTestId('option-treat').textContent).toContain('first');
  expect(screen.queryByTestId('option-leave')).toBeNull();
  expect(screen.getByText(/Leave it: it spreads and kills/)).toBeTruthy();
  fireEvent.click(screen.getByTestId('option-treat'));
  expect(chosen).toEqual(['treat', '2026-07-17']);
});

it('names the action that fixes the cause', () => {
  render(
    <OptionsCard
      advice={advice('drought-wilt')}
      cause="drought-wilt"
      chosen="fix"
      onChoose={() => undefined}
    />,
  );
  expect(screen.getByTestId('option-fix').getAttribute('aria-checked')).toBe('true');
  expect(screen.getByTestId('option-fix').textContent).toMatch(/Fix the cause: .+/);
});

it('has words for every reason the rules can give', () => {
  const source = readFileSync(
    join(__dirname, '../../../../core/src/program/decideOptions.ts'),
    'utf8',
  );
  const body = source.slice(source.indexOf('const leave = option('));
  const reasons = [...body.matchAll(/(?:&& |\? \[|: )'([a-z]+(?:-[a-z]+)+)'/g)].map(
    ([, slug]) => slug!,
  );
  expect(reasons.length).toBeGreaterThan(25);
  const known = (slug: string) =>
    i18next.exists(`option.reason.${slug}`) || i18next.exists(`option.ifNothing.${slug}`);
  expect([...new Set(reasons)].filter((slug) => !known(slug))).toEqual([]);
  for (const { slug } of causes) {
    for (const { reasons: given } of advice(slug).options) {
      expect(given.filter((reason) => !i18next.exists(`option.reason.${reason}`))).toEqual([]);
    }
  }
});
