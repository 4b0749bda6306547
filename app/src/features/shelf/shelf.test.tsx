import { companySchema, policySchema } from '@alfombra/core';
import '@/i18n/deepWords';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { i18next } from '@/i18n';
import { ProductSheet } from './ProductSheet';
import { newDraft, readLabel } from './readLabel';
import { RulesPanel } from './RulesPanel';
import { entryName, seedEntries } from './seedEntries';
import type { useShelf } from './useShelf';

jest.mock('expo-router', () => ({
  ...jest.requireActual('@/testdata/LinkStandIn'),
  usePathname: () => '/',
  useRouter: () => ({ push: jest.fn() }),
}));
jest.mock('@/api/queries', () => ({
  useLawns: () => ({ fetchStatus: 'idle', failureCount: 0 }),
}));
jest.mock('@tanstack/react-query', () => ({ useQuery: () => ({ data: undefined }) }));
jest.mock('@/api/useFailureWords', () => ({ useFailureWords: () => () => 'failed' }));

const t = i18next.t.bind(i18next);

function shelf(policy: object = {}, mayChange = true) {
  const change = jest.fn<void, [object, (() => void)?]>((_part, onDone) => onDone?.());
  const company = companySchema.parse({
    id: '0190a000-0000-7000-8000-00000000000a',
    name: 'Test',
    demo: false,
    clock: { kind: 'fixed', date: '2026-04-08' },
    policy: policySchema.parse(policy),
    version: 1,
    today: '2026-04-08',
  });
  const own = {
    ready: true,
    labels: [],
    policy: company.policy,
    onlyShelf: false,
    mayChange,
    busy: false,
    error: null,
    change,
  };
  return { change, own: own as unknown as ReturnType<typeof useShelf> };
}
const type = (testId: string, value: string) =>
  fireEvent.change(screen.getByTestId(testId), { target: { value } });

describe('the rules of the place', () => {
  it('says at the field what is wrong, goes to the first, and keeps nothing meanwhile', async () => {
    const { own, change } = shelf();
    render(<RulesPanel shelf={own} />);
    type('rules-from', '13-40');
    type('rules-once', '-1');
    fireEvent.click(screen.getByTestId('rules-save'));
    expect(await screen.findAllByText('A day as 11-15')).toHaveLength(2);
    expect(screen.getByText('A number over 0')).toBeTruthy();
    const first = screen.getByTestId('rules-from');
    expect(document.activeElement).toBe(first);
    // The field names the line that says what is wrong with it.
    expect(document.getElementById(first.getAttribute('aria-describedby')!)?.textContent).toBe(
      'A day as 11-15',
    );
    expect(change).not.toHaveBeenCalled();
  });
  it('keeps the closed days and the limits', async () => {
    const { own, change } = shelf();
    render(<RulesPanel shelf={own} />);
    type('rules-from', '11-15');
    type('rules-to', '03-15');
    // A comma between figures is no decimal here, and nine pounds nobody meant: refused at the field.
    type('rules-once', '0,9');
    fireEvent.click(screen.getByTestId('rules-save'));
    expect(await screen.findByText(/A number over 0|two different numbers/)).toBeTruthy();
    expect(change).not.toHaveBeenCalled();
    type('rules-once', '0.9');
    fireEvent.click(screen.getByTestId('rules-save'));
    await waitFor(() => expect(change).toHaveBeenCalled());
    expect(change.mock.calls[0]![0]).toEqual({
      ordinance: {
        blackout: ['11-15', '03-15'],
        mostNitrogen: 0.9,
        mostNitrogenYear: null,
        phosphorusNeedsReason: false,
      },
    });
    expect(screen.getByTestId('rules-kept')).toBeTruthy();
  });
  it('shows a technician what holds, and lets him change nothing', () => {
    const { own } = shelf(
      { certified: true, ordinance: { mostNitrogen: 0.9, phosphorusNeedsReason: true } },
      false,
    );
    render(<RulesPanel shelf={own} />);
    expect(screen.queryByTestId('rules-save')).toBeNull();
    expect(screen.getByText('Most nitrogen at once: 0.9')).toBeTruthy();
    expect(screen.getByText(/Only with a low soil test or new seed/)).toBeTruthy();
    expect(screen.getByText('A certified applicator')).toBeTruthy();
  });
});

describe('the library', () => {
  it('opens a seed mix by weight and by number', () => {
    render(
      <ProductSheet entry={{ kind: 'seed', slug: 'mix-fescue-bluegrass' }} onClose={jest.fn()} />,
    );
    expect(screen.getByText('Kentucky bluegrass 10 % (50 % of seeds)')).toBeTruthy();
  });
  it.each([
    ['herbicide', 'threeway-amine'],
    ['treatment', 'imidacloprid'],
    ['treatment', 'tetraniliprole'],
    ['fertilizer', '24-0-11-half-slow'],
    ['seed', 'tall-fescue'],
  ] as const)('opens %s %s with no figure or word missing', (kind, slug) => {
    const { container } = render(<ProductSheet entry={{ kind, slug }} onClose={jest.fn()} />);
    expect((container.ownerDocument.body.textContent ?? '').length).toBeGreaterThan(60);
    expect(container.ownerDocument.body.textContent).not.toMatch(/NaN|undefined|shelf\.|null/);
  });
  it('names every seed', () => {
    const names = seedEntries().map((entry) => entryName(t, entry));
    expect(names.length).toBeGreaterThan(15);
    expect(names.every((name) => !name.includes('.'))).toBe(true);
  });
});

describe('a label begun from the library', () => {
  const nameOf = (_kind: string, slug: string) => slug;
  it.each(['herbicide:dithiopyr', 'treatment:spinosad', 'seed:mix-sun-and-shade', 'seed:bahia'])(
    'from %s it is whole but for what only the bottle tells',
    (base) => {
      const draft = newDraft(base, nameOf);
      const { label, problems } = readLabel(draft, '0190a000-0000-7000-8000-0000000000aa');
      expect(problems).toEqual({});
      expect(label!.highPerAcre).toBeGreaterThan(0);
      expect(`${label!.base!.kind}:${label!.base!.slug}`).toBe(base);
    },
  );
  const filled = (base: string, fields: Record<string, string>, unit: 'lb' | 'fl-oz' = 'lb') => {
    const draft = newDraft(base, nameOf);
    return readLabel(
      { ...draft, unit, figures: { ...draft.figures, ...fields } as typeof draft.figures },
      '0190a000-0000-7000-8000-0000000000aa',
    );
  };
  it('keeps the grade of a bag, and what of its seed comes up', () => {
    const bag = filled('fertilizer:24-0-11-half-slow', { highPerAcre: '180', nPct: '26' }).label!;
    expect(bag.nutrients).toEqual({ n: 26, p2o5: 0, k2o: 11, slowShare: 0.5 });
    expect(filled('seed:tall-fescue', { germinationPct: '90' }).label).toMatchObject({
      purityPct: 98,
      germinationPct: 90,
      nutrients: null,
    });
    expect(filled('herbicide:prodiamine', {}).label!.nutrients).toBeNull();
  });
  it('says at the first of the nutrients that a liquid has no grade, and no bag holds more than itself', () => {
    expect(filled('herbicide:dithiopyr', { nPct: '10' }, 'fl-oz').problems).toEqual({
      nPct: 'nutrients',
    });
    const rich = { highPerAcre: '180', nPct: '50', p2o5Pct: '30', k2oPct: '21' };
    expect(filled('fertilizer:24-0-11-half-slow', rich).problems).toEqual({ nPct: 'nutrients' });
    expect(filled('fertilizer:24-0-11-half-slow', { ...rich, k2oPct: '20' }).problems).toEqual({});
  });
  it('says what is missing where nothing is entered', () => {
    const { label, problems } = readLabel(
      newDraft('', nameOf),
      '0190a000-0000-7000-8000-0000000000aa',
    );
    expect(label).toBeNull();
    expect(problems).toMatchObject({ highPerAcre: 'missing' });
  });
});
