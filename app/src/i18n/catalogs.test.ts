/// <reference types="node" />
import {
  amendmentProducts,
  causes,
  emergenceWindows,
  feedingCalendars,
  grasses,
  herbicides,
  seedMixes,
  signs,
  treatments,
  weeds,
} from '@alfombra/core';
import { CHECK_RULES } from '@alfombra/core/judging';
import { existsSync, readFileSync } from 'node:fs';
import { execSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { calculators } from '@alfombra/core/calculating';
import { keyCharacters, keyTaxa } from '@alfombra/core/key';
import { catalogs } from '.';
import { deepWords } from './deepWords';
import { syncWords } from './syncWords';

const english = {
  ...catalogs.en.translation,
  ...deepWords,
  ...syncWords,
} as unknown as Record<string, unknown>;

/** The words under a dotted key; plural keys count when both forms are there. */
function has(key: string): boolean {
  const found = key
    .split('.')
    .reduce<unknown>(
      (node, part) => (node as Record<string, unknown> | undefined)?.[part],
      english,
    );
  if (typeof found === 'string' && found !== '') return true;
  return key.endsWith('_one') ? false : has(`${key}_one`) && has2(`${key}_other`);
}
const has2 = (key: string): boolean =>
  typeof key
    .split('.')
    .reduce<unknown>(
      (node, part) => (node as Record<string, unknown> | undefined)?.[part],
      english,
    ) === 'string';

describe('every thing that can be shown has words', () => {
  it.each([
    ['cause', [...causes.map(({ slug }) => slug), 'unknown-other']],
    ['weed', weeds.map(({ slug }) => slug)],
    ['herbicide', herbicides.map(({ slug }) => slug)],
    ['treatment', treatments.map(({ slug }) => slug)],
    ['seedMix', seedMixes.map(({ slug }) => slug)],
    ['amendment', amendmentProducts.map(({ slug }) => slug)],
    ['grass', grasses.map(({ slug }) => slug)],
    ['group', [...emergenceWindows.map(({ slug }) => slug), 'post-emergent']],
    [
      'slot',
      [...feedingCalendars.flatMap(({ slots }) => slots.map(({ slug }) => slug)), 'starter'],
    ],
    ['action', causes.map(({ action }) => action)],
    ['guide.group', causes.map(({ group }) => group)],
  ])('%s', (catalog, slugs) => {
    expect(slugs.filter((slug) => !has(`${catalog}.${slug}`))).toEqual([]);
  });
  it('characters and states of the key, and every plant', () => {
    for (const { slug, states } of keyCharacters) {
      expect([slug, has(`key.character.${slug}`), has(`key.where.${slug}`)]).toEqual([
        slug,
        true,
        true,
      ]);
      expect(states.filter((state) => !has(`key.state.${state}`))).toEqual([]);
    }
    expect(
      keyTaxa
        .filter(({ slug }) => !has(`grass.${slug}`) && !has(`weed.${slug}`))
        .map(({ slug }) => slug),
    ).toEqual([]);
  });
  it('signs, with how to look', () => {
    for (const { slug } of signs) {
      expect(has(`sign.${slug}.label`)).toBe(true);
      expect(has(`sign.${slug}.how`)).toBe(true);
    }
  });
  it('no two signs or causes read alike', () => {
    const labels = signs.map(
      ({ slug }) => (english.sign as Record<string, { label: string }>)[slug]!.label,
    );
    expect(new Set(labels).size).toBe(labels.length);
  });
});

describe('every calculator', () => {
  it('has words for itself, its fields, figures and notes', () => {
    const missing = calculators.flatMap(({ slug, fields }) =>
      [
        `calculator.${slug}.title`,
        `calculator.${slug}.lead`,
        ...fields.map((field) => `calcField.${field.slug}`),
      ].filter((key) => !has(key)),
    );
    expect(missing).toEqual([]);
    const source = execSync(`cat ${join(__dirname, '../../../core/src/calculators')}/*.ts`, {
      encoding: 'utf8',
    });
    const asked = (pattern: RegExp, catalog: string) =>
      [...source.matchAll(pattern)].map(([, slug]) => `${catalog}.${slug}`);
    const keys = [
      ...asked(/note\('([a-z0-9-]+)'/g, 'calcNote'),
      ...asked(/figure\(\s*'([a-z0-9-]+)'/g, 'calcFigure'),
    ];
    expect(keys.length).toBeGreaterThan(100);
    expect([...new Set(keys)].filter((key) => !has(key))).toEqual([]);
  });
});

describe('the source and the catalog agree', () => {
  const root = join(__dirname, '..');
  const files = execSync(`find ${root} -name '*.tsx' -o -name '*.ts' | grep -v test`, {
    encoding: 'utf8',
  })
    .trim()
    .split('\n');
  const source = files.map((file) => readFileSync(file, 'utf8')).join('\n');

  it('every literal key that a screen asks for exists', () => {
    const keys = [...source.matchAll(/\bt\(\s*'([a-zA-Z0-9.-]+)'/g)].map(
      ([, key]) => key as string,
    );
    expect(keys.length).toBeGreaterThan(150);
    expect([...new Set(keys)].filter((key) => !has(key))).toEqual([]);
  });
  it('every rule of the planner and of the checker has words', () => {
    const core = join(__dirname, '..', '..', '..', 'core', 'src');
    const read = (folder: string) =>
      execSync(`cat $(find ${join(core, folder)} -name '*.ts' | grep -v test)`, {
        encoding: 'utf8',
      });
    const planner = ['needs', 'choice', 'courses', 'program'].map(read).join('\n');
    const rules = [...planner.matchAll(/(?:rule: |refuse\(|giveUp\()\s*'([A-Za-z0-9-]+)'/g)].map(
      ([, rule]) => rule as string,
    );
    expect(rules.length).toBeGreaterThan(30);
    expect([...new Set(rules)].filter((rule) => !has(`rule.${rule}`))).toEqual([]);
    const checks = Object.keys(CHECK_RULES);
    expect(checks.filter((rule) => !has(`check.${rule}`))).toEqual([]);
  });
  it('Spanish uses no key that English has not', () => {
    const walk = (node: unknown, path: string): string[] =>
      typeof node === 'string'
        ? [path]
        : Object.entries(node as Record<string, unknown>).flatMap(([key, value]) =>
            walk(value, path ? `${path}.${key}` : key),
          );
    expect(walk(catalogs.es.translation, '').filter((key) => !has2(key))).toEqual([]);
  });
  it('no screen holds words of its own', () => {
    const bare = files
      .filter((file) => file.endsWith('.tsx'))
      .flatMap((file) =>
        [...readFileSync(file, 'utf8').matchAll(/>\s*([A-Z][a-z]+(?: [a-z]+)+)\s*</g)].map(
          ([, words]) => `${file}: ${words}`,
        ),
      );
    expect(bare).toEqual([]);
  });
});

describe('the first screens', () => {
  const root = join(__dirname, '..');
  const fileOf = (from: string, name: string): string | undefined => {
    const path = name.startsWith('@/') ? join(root, name.slice(2)) : join(dirname(from), name);
    return ['.ts', '.tsx', '/index.ts', '/index.tsx']
      .map((end) => `${path}${end}`)
      .find((candidate) => existsSync(candidate));
  };
  const reached = new Set<string>();
  const reach = (file: string): void => {
    if (reached.has(file)) return;
    reached.add(file);
    for (const [statement, name] of readFileSync(file, 'utf8').matchAll(
      /^(?:import|export)\b[^;]*?'([@.]\/?[^']+)';/gm,
    )) {
      const next = statement.startsWith('import type') ? undefined : fileOf(file, name!);
      if (next) reach(next);
    }
  };
  const routes = execSync(`find ${join(root, 'app')} -name '*.tsx'`, { encoding: 'utf8' })
    .trim()
    .split('\n');
  /** What the door and the list load; `metro.config.js` names them, too. */
  const FIRST =
    /app\/(_layout|index|sign-in|\+not-found|\(places\)\/_layout|\(places\)\/lawns\/(_layout|index))\.tsx$/;
  routes.filter((route) => FIRST.test(route)).forEach(reach);

  it('come with every other route', () => {
    const later = routes.filter((route) => !FIRST.test(route));
    expect(later.length).toBeGreaterThan(25);
    expect(
      later.filter((route) => !readFileSync(route, 'utf8').includes("'@/i18n/deepWords'")),
    ).toEqual([]);
  });

  it('use words of the first catalog only, for the others come with a later chunk', () => {
    expect(reached.size).toBeGreaterThan(60);
    const deep = new RegExp(`['"\`](?:${Object.keys(deepWords).join('|')})\\.[A-Za-z$]`, 'g');
    const asked = [...reached].flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(deep)].map(([key]) => `${file}: ${key}`),
    );
    expect(asked).toEqual([]);
  });
});
