/// <reference types="node" />
/** The table of costs that the plan is laid out by is the one that the page on the season shows. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { layoutCosts } from './knowledge/layoutCosts';

it('is shown as it is', () => {
  const page = readFileSync(join(__dirname, '../../docs/season.md'), 'utf8').replace(/ +/g, ' ');
  const { prevent, protect, cure, control, feed, look } = layoutCosts;
  const { visit, spreadPerDay, mostDays, survivorsPer1000 } = layoutCosts;
  const rows = [
    ['pre-emergent', prevent.early, prevent.late],
    ['protection', protect.early, protect.late],
    ['cure', cure.early, cure.late],
    ['feeding', feed.early, feed.late],
    ['look', look.early, look.late],
  ];
  for (const [what, early, late] of rows)
    expect(page).toContain(`| ${what} | ${early} | ${late} |`);
  expect(page).toContain(
    `| weed walk | ${control.early} | ${control.late}, and ${spreadPerDay} times`,
  );
  expect(page).toContain(`| a trip | ${visit} |`);
  expect(page).toContain(`by more than ${mostDays} days`);
  expect(page).toContain(`$ ${survivorsPer1000} per 1000 ft²`);
});
