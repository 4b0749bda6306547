import { zoneSchema } from '../lawn';
import { localDate } from '../units';
import { drawnWeeds, findingsOf, withDrawn, zonesAsCounted } from './findings';
import type { WeedPatch } from '../contract/lawn';
import type { Look, VisitBody } from '../contract/visit';

const ZONE = '0190a000-0000-7000-8000-000000000001';
const OTHER = '0190a000-0000-7000-8000-000000000002';

const look = (fields: Partial<Look> = {}): Look => ({
  zoneId: ZONE,
  patchId: null,
  answers: {},
  tests: [],
  fieldTests: [],
  leading: [],
  decision: null,
  weeds: [],
  pointCount: undefined,
  ...fields,
});

const visit = (id: string, date: string, ...looks: Look[]): VisitBody & { id: string } => ({
  id,
  lawnId: '0190a000-0000-7000-8000-00000000000b',
  date: localDate(date),
  technician: 'Test Person',
  looks,
  promised: '',
  note: '',
});

const zone = zoneSchema.parse({
  id: ZONE,
  name: 'Front',
  outline: [
    { x: 0, y: 0 },
    { x: 40, y: 0 },
    { x: 40, y: 25 },
    { x: 0, y: 25 },
  ],
  edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
  stand: [],
  desired: [],
  site: {},
});
const found = (visits: Parameters<typeof findingsOf>[0]) =>
  findingsOf(visits, { zones: [zone], weedPatches: [], patches: [] });

const dandelion = { weed: 'dandelion', cover: 0.1, growing: true };
/** A weed as the looks of two days leave it: the first, and the last of a run. */
const seen = <Weed>(weed: Weed, since: string, seenOn = since) => ({ ...weed, since, seenOn });
const clover = { weed: 'white-clover', cover: 0.05, growing: true };

describe('what the season is planned on', () => {
  it('is nothing before the first visit', () => expect(found([])).toEqual([]));

  it('is the latest look, in whatever order the visits come', () => {
    const early = visit('a', '2026-03-01', look({ weeds: [{ ...dandelion, cover: 0.2 }] }));
    const late = visit('b', '2026-04-01', look({ weeds: [dandelion] }));
    for (const visits of [
      [early, late],
      [late, early],
    ]) {
      expect(found(visits)).toEqual([
        {
          zoneId: ZONE,
          weeds: [seen(dandelion, '2026-03-01', '2026-04-01')],
          unnamed: [],
          damages: [],
        },
      ]);
    }
  });

  it('takes the later of two visits of one day, by their ids', () => {
    const first = visit('0190-1', '2026-04-01', look({ weeds: [{ ...dandelion, cover: 0.3 }] }));
    const second = visit('0190-2', '2026-04-01', look({ weeds: [dandelion] }));
    expect(found([second, first])).toEqual(found([first, second]));
    expect(found([second, first])[0]?.weeds).toEqual([seen(dandelion, '2026-04-01')]);
  });

  it('remembers a weed that a later look does not list, as not growing', () => {
    const [finding] = found([
      visit('a', '2026-03-01', look({ weeds: [dandelion] })),
      visit('b', '2026-04-01', look({ weeds: [clover] })),
    ]);
    expect(finding?.weeds).toEqual([
      seen(clover, '2026-04-01'),
      seen({ ...dandelion, growing: false }, '2026-03-01'),
    ]);
  });

  it('does not take a look without weeds for a clean lawn', () => {
    const [finding] = found([
      visit('a', '2026-03-01', look({ weeds: [dandelion] })),
      visit('b', '2026-04-01', look()),
    ]);
    expect(finding?.weeds).toEqual([seen(dandelion, '2026-03-01')]);
  });

  it('keeps zones apart', () => {
    const findings = found([
      visit('a', '2026-03-01', look({ weeds: [dandelion] }), look({ zoneId: OTHER })),
    ]);
    expect(findings.map(({ zoneId, weeds }) => [zoneId, weeds.length])).toEqual([
      [ZONE, 1],
      [OTHER, 0],
    ]);
  });

  it('carries the day to look again, and a cause only when one was decided', () => {
    const decided = (decision: Look['decision']) =>
      found([visit('a', '2026-03-01', look({ decision }))])[0]?.damages;
    const day = localDate('2026-04-20');
    expect(decided({ kind: 'cannot-tell', lookAgainOn: day, sample: null })).toEqual([
      { patchId: null, cause: null, decidedOn: '2026-03-01', lookAgainOn: day },
    ]);
    expect(decided({ kind: 'leave', cause: 'chinch-bug', lookAgainOn: day })).toEqual([
      { patchId: null, cause: 'chinch-bug', decidedOn: '2026-03-01', lookAgainOn: day },
    ]);
    expect(
      decided({
        kind: 'cause',
        cause: 'chinch-bug',
        option: 'treat',
        by: 'look',
        lookAgainOn: null,
      }),
    ).toEqual([{ patchId: null, cause: 'chinch-bug', decidedOn: '2026-03-01', protect: 'treat' }]);
  });

  it('keeps every damaged place, each as it was last decided about', () => {
    const [one, two] = [
      '0190a000-0000-7000-8000-0000000000c1',
      '0190a000-0000-7000-8000-0000000000c2',
    ];
    const at = (patchId: string | null, cause: string, option: 'treat' | null = null) =>
      look({ patchId, decision: { kind: 'cause', cause, option, by: 'look', lookAgainOn: null } });
    const damages = found([
      visit('a', '2026-03-01', at(one, 'white-grub', 'treat'), at(two, 'dog-urine')),
      visit('b', '2026-04-01', at(null, 'drought-wilt'), look({ patchId: one })),
      visit('c', '2026-04-02', at(two, 'vole-runs')),
    ])[0]!.damages;
    expect(damages).toEqual([
      { patchId: one, cause: 'white-grub', decidedOn: '2026-03-01', protect: 'treat' },
      { patchId: two, cause: 'vole-runs', decidedOn: '2026-04-02' },
      { patchId: null, cause: 'drought-wilt', decidedOn: '2026-04-01' },
    ]);
  });
});

describe('weeds drawn on the plan', () => {
  const patch = (
    n: number,
    plant: WeedPatch['plant'],
    fields: Partial<WeedPatch> = {},
  ): WeedPatch => ({
    id: `0190a000-0000-7000-8000-0000000000b${n}`,
    zoneId: ZONE,
    plant,
    centre: { x: 5, y: 5 },
    lengthFt: 10,
    widthFt: 4,
    cover: 0.5,
    stage: 'seedling',
    seenOn: localDate('2026-04-08'),
    lookAgainOn: null,
    asked: null,
    ...fields,
  });
  const named = (confidence: number | null) => ({
    kind: 'weed' as const,
    weed: 'dandelion',
    confidence,
  });
  const lawn = {
    zones: [zone],
    patches: [],
    weedPatches: [
      patch(1, named(0.6)),
      patch(2, named(0.7), { lengthFt: 4, stage: 'flowering' }),
      patch(3, { kind: 'category', category: 'sedge' }),
    ],
  };

  it('add up by plant with the hardest stage, and those with only a kind stay', () => {
    const { weeds, unnamed } = drawnWeeds(lawn, ZONE);
    // π/4 · (10·4 + 4·4) · 0.5 = 21.99 ft² of 1,000.
    expect(weeds).toEqual([
      {
        weed: 'dandelion',
        cover: expect.closeTo(0.02199, 5) as number,
        stage: 'flowering',
        growing: true,
        since: '2026-04-08',
        seenOn: '2026-04-08',
        confidence: 0.7,
      },
    ]);
    expect(unnamed).toEqual([
      { category: 'sedge', cover: expect.closeTo(0.01571, 5) as number, stage: 'seedling' },
    ]);
    expect(drawnWeeds(lawn, OTHER)).toEqual({ weeds: [], unnamed: [] });
  });
  it('are sure once one of them was known without the key', () => {
    const sure = { ...lawn, weedPatches: [patch(1, named(0.6)), patch(2, named(null))] };
    expect(drawnWeeds(sure, ZONE).weeds[0]).not.toHaveProperty('confidence');
    const turned = { ...lawn, weedPatches: [...sure.weedPatches].reverse() };
    expect(drawnWeeds(turned, ZONE).weeds[0]).not.toHaveProperty('confidence');
  });
  it('reach the season whatever else was looked at in their zone', () => {
    const looked = visit(
      'a',
      '2026-04-01',
      look({
        weeds: [clover],
        decision: {
          kind: 'cause',
          cause: 'dog-urine',
          option: null,
          by: 'look',
          lookAgainOn: null,
        },
      }),
    );
    const [finding] = findingsOf([looked], lawn);
    expect(finding!.weeds.map(({ weed }) => weed)).toEqual(['white-clover', 'dandelion']);
    expect(finding!.unnamed).toHaveLength(1);
    expect(finding!.damages).toHaveLength(1);
    expect(findingsOf([], lawn)[0]!.weeds.map(({ weed }) => weed)).toEqual(['dandelion']);
  });
});

describe('what was drawn and counted apart from a walk', () => {
  const day = localDate('2026-04-09');
  const stand = [
    { species: 'tall-fescue' as const, cover: 0.6 },
    { species: 'kentucky-bluegrass' as const, cover: 0.3 },
    { species: 'bermuda-common' as const, cover: 0.05 },
  ];
  const mixed = { ...zone, stand, desired: ['tall-fescue', 'kentucky-bluegrass'] as const };
  const count = (date: string, hits: number) => ({
    zoneId: ZONE,
    date: localDate(date),
    hits,
    points: 100,
  });
  const patch = {
    zoneId: ZONE,
    plant: { kind: 'weed' as const, weed: 'dandelion', confidence: null },
    lengthFt: 10,
    widthFt: 10,
    cover: 0.5,
    stage: 'flowering' as const,
    seenOn: day,
  };
  it('stands beside the findings: a drawn patch has its own size, the last count is read', () => {
    const tapped = [
      {
        zoneId: ZONE,
        weeds: [dandelion, { ...dandelion, weed: 'white-clover' }],
        unnamed: [],
        damages: [],
      },
    ];
    const [drawn] = withDrawn(
      tapped,
      [zone],
      [patch],
      [count('2026-04-09', 20), count('2026-04-01', 90)],
    );
    expect(drawn!.weeds.map(({ weed }) => weed)).toEqual(['white-clover', 'dandelion']);
    expect(drawn!.weeds[1]!.cover).toBeCloseTo((Math.PI * 25 * 0.5) / 1000, 6);
    expect(drawn!.pointCount).toEqual({ hits: 20, points: 100 });
    expect(withDrawn([], [zone], [], [])).toEqual([]);
  });
  it('sets the cover of what is wanted, in its own shares, and leaves the rest', () => {
    const [counted] = zonesAsCounted([mixed as never], [count('2026-04-09', 45)]);
    expect(counted!.stand.map(({ cover }) => cover)).toEqual([
      expect.closeTo(0.3, 9),
      expect.closeTo(0.15, 9),
      0.05,
    ]);
    expect(zonesAsCounted([mixed as never], [])).toEqual([mixed]);
    const [full] = zonesAsCounted([mixed as never], [count('2026-04-09', 98)]);
    expect(full!.stand.reduce((sum, { cover }) => sum + cover, 0)).toBeCloseTo(1, 9);
  });
});
