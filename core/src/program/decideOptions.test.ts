/** Rules and worked examples of the project's domain notes (common practice; limits from memory). */
import fc from 'fast-check';
import { cases } from '../units/testdata/cases';
import { causes, grasses } from '../knowledge';
import { allRecoveries } from '../knowledge/decisionRules';
import { localDate } from '../units';
import {
  decideOptions,
  growingWeeksLeft,
  OPTIONS,
  type DecideInput,
  type OptionKind,
} from './decideOptions';

const input = (fields: Partial<DecideInput> = {}): DecideInput => ({
  cause: 'armyworm',
  p: 0.9,
  named: false,
  main: 'bermuda-common',
  grassNamed: true,
  upkeep: 'standard',
  irrigated: true,
  today: localDate('2026-09-05'),
  weeksLeft: 7.6,
  damagedShare: 0.4,
  livingCover: 0.8,
  known: {},
  ...fields,
});
const of = (kind: OptionKind, fields: Partial<DecideInput> = {}) =>
  decideOptions(input(fields)).options.find((option) => option.kind === kind)!;

describe('the host recovers', () => {
  it('armyworm on bermuda on 5 September: 3 + 2 of 7.6 weeks, so leave it', () => {
    const advice = decideOptions(input({ known: { 't-soap-cat': true } }));
    expect(advice.fillWeeks![1]).toBeCloseTo(3, 6);
    expect(advice.recoversInTime).toBe(true);
    expect(of('leave')).toMatchObject({ allowed: true });
    expect(of('treat', { known: { 't-soap-cat': true } })).toMatchObject({
      allowed: false,
      reasons: expect.arrayContaining(['host-outgrows']) as string[],
    });
  });
  it('on zoysia with four weeks left it does not: treat at the threshold', () => {
    const late = { main: 'zoysia-fine' as const, weeksLeft: 4, known: { 't-soap-cat': true } };
    const advice = decideOptions(input(late));
    expect(advice.fillWeeks![1]).toBeCloseTo(7, 6);
    expect(advice.recoversInTime).toBe(false);
    expect(of('treat', late).allowed).toBe(true);
  });
  it('takes longer without water', () => {
    expect(decideOptions(input({ irrigated: false })).fillWeeks![1]).toBeCloseTo(4.8, 6);
  });
});

describe('a product needs its ground', () => {
  const chinch = { cause: 'chinch-bug', main: 'st-augustine' as const };
  it('an insecticide waits for the count and for being sure', () => {
    expect(of('treat', chinch)).toMatchObject({ allowed: false, reasons: ['count-first'] });
    expect(of('treat', { ...chinch, known: { 't-chinch': true } }).allowed).toBe(true);
    expect(of('treat', { ...chinch, p: 0.5, known: { 't-chinch': true } }).reasons).toContain(
      'not-sure-enough',
    );
  });
  it('nothing is rebuilt while the cause is at work and uncounted', () => {
    const small = { ...chinch, damagedShare: 0.01 };
    expect(decideOptions(input(small)).recommended).toBe('leave');
    expect(decideOptions(input({ ...small, known: { 't-chinch': true } })).recommended).toBe(
      'treat',
    );
  });
  it('a leaf disease is put up with on a lawn', () => {
    const spot = {
      cause: 'dollar-spot',
      main: 'kentucky-bluegrass' as const,
      known: { 'h-les-hourglass': true },
    };
    expect(of('treat', spot)).toMatchObject({ allowed: false });
    expect(of('leave', spot)).toMatchObject({
      allowed: true,
      reasons: expect.arrayContaining(['cosmetic']) as string[],
    });
  });
  it('nothing is sprayed against drought', () => {
    expect(of('treat', { cause: 'drought-wilt' })).toMatchObject({
      allowed: false,
      reasons: ['no-product-helps'],
    });
    expect(decideOptions(input({ cause: 'drought-wilt' })).recommended).toBe('fix');
  });
});

describe('repair, renovate, prevent, laboratory', () => {
  it('under half living cover renovates, over half repairs what stays bare', () => {
    const dead = { cause: 'drought-death', main: 'tall-fescue' as const };
    expect(of('repair', dead).allowed).toBe(true);
    expect(of('renovate', dead).allowed).toBe(false);
    expect(of('renovate', { ...dead, livingCover: 0.4 }).allowed).toBe(true);
    expect(of('repair', { ...dead, livingCover: 0.4 }).allowed).toBe(false);
  });
  it('preventing pays with a history, and for grubs in slow zoysia', () => {
    const patch = { cause: 'large-patch', main: 'centipede' as const };
    expect(of('prevent', patch).allowed).toBe(false);
    expect(of('prevent', { ...patch, known: { 'c-same-place': true } }).allowed).toBe(true);
    expect(of('prevent', { cause: 'white-grub', main: 'zoysia-wide' }).reasons).toContain(
      'slow-host',
    );
  });
  it('lime waits for figures, deadly doubt for the laboratory', () => {
    expect(of('lab', { cause: 'ph-low' })).toMatchObject({ allowed: true });
    const doubt = { cause: 'take-all-root-rot', main: 'st-augustine' as const, p: 0.4 };
    expect(of('lab', doubt).reasons).toContain('deadly-and-unsure');
  });
});

it('gives every option of every cause a reason, a day or a cost, and recommends an allowed one', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...causes.map(({ slug }) => slug)),
      fc.constantFrom(...grasses.map(({ slug }) => slug)),
      fc.record({
        p: fc.double({ min: 0, max: 1, noNaN: true }),
        upkeep: fc.constantFrom('basic' as const, 'standard' as const, 'showpiece' as const),
        irrigated: fc.constantFrom(true, false, null),
        weeksLeft: fc.double({ min: 0, max: 40, noNaN: true }),
        damagedShare: fc.option(fc.double({ min: 0, max: 1, noNaN: true }), { nil: null }),
        livingCover: fc.double({ min: 0, max: 1, noNaN: true }),
        known: fc.dictionary(
          fc.constantFrom('c-expanding', 'h-crown-dead', 't-chinch', 'h-les-gray', 'c-same-place'),
          fc.boolean(),
        ),
      }),
      (cause, main, rest) => {
        const { options, recommended } = decideOptions(input({ cause, main, ...rest }));
        expect(options.map(({ kind }) => kind)).toEqual([...OPTIONS]);
        expect(options.every(({ reasons }) => reasons.length > 0)).toBe(true);
        const chosen = options.find(({ kind }) => kind === recommended)!;
        expect(
          chosen.allowed || (recommended === 'leave' && options.every(({ allowed }) => !allowed)),
        ).toBe(true);
        // Spreading and deadly is never left alone.
        const deadly = causes.find(({ slug }) => slug === cause)!.severity === 'lethal';
        if (deadly && rest.known['c-expanding']) expect(options[0]!.allowed).toBe(false);
      },
    ),
    cases(400),
  );
});

it('knows the recovery of every cause', () => {
  expect(allRecoveries.map(({ cause }) => cause).sort()).toEqual(
    causes.map(({ slug }) => slug).sort(),
  );
  for (const { recovers, weeks, followUpDays } of allRecoveries) {
    if (weeks) expect(weeks[0]).toBeLessThanOrEqual(weeks[1]);
    if (recovers === 'no') expect(weeks).toBeNull();
    expect(followUpDays.length).toBeGreaterThan(0);
  }
});

it('counts the weeks until the soil is too cold for the grass', () => {
  const falling = Array.from({ length: 70 }, (_, day) => 80 - day * 0.5);
  expect(growingWeeksLeft('bermuda-common', falling)).toBeCloseTo(41 / 7, 6);
  expect(growingWeeksLeft('tall-fescue', falling)).toBe(10);
});

it('takes a technician at his word, and does not ask the laboratory about what he has seen', () => {
  const urine = { cause: 'dog-urine', main: 'tall-fescue' as const, p: 0.05 };
  expect(decideOptions(input(urine)).recommended).toBe('lab');
  const named = decideOptions(input({ ...urine, named: true }));
  expect(named.recommended).not.toBe('lab');
  expect(named.options.find(({ kind }) => kind === 'lab')).toMatchObject({
    allowed: false,
    reasons: ['known-enough'],
  });
});

it('offers no product before somebody has named the grass', () => {
  const found = {
    cause: 'chinch-bug',
    main: 'st-augustine' as const,
    known: { 't-float-chinch': true },
  };
  expect(of('treat', found).reasons).not.toContain('name-grass-first');
  for (const kind of ['treat', 'prevent'] as const) {
    const option = of(kind, { ...found, grassNamed: false });
    expect(option.allowed).toBe(false);
    expect(option.reasons).toContain('name-grass-first');
  }
});
