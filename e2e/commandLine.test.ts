/** The command line as another program meets it: JSON in, JSON out, 2 and a pointed message. */
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import { localDate } from '@alfombra/core';
import { testZone } from '../core/src/program/testdata/testLawn.ts';
import { testWeather } from '../core/src/weather/testdata/testWeather.ts';

const SCRIPT = join(import.meta.dirname, '..', 'scripts', 'alfombra.ts');

function alfombra(args: string[], input: unknown = '') {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', SCRIPT, ...args],
    { input: typeof input === 'string' ? input : JSON.stringify(input), encoding: 'utf8' },
  );
  return { status, stdout, stderr };
}

function answer(args: string[], input: unknown): Record<string, unknown> {
  const { status, stdout, stderr } = alfombra(args, input);
  assert.equal(status, 0, stderr);
  return JSON.parse(stdout) as Record<string, unknown>;
}

/** Seven chinch bugs in three coffee cans in July, on St. Augustine in the sun. */
const CHINCH = {
  grass: [{ species: 'st-augustine', cover: 1 }],
  zone: 'south',
  month: 7,
  soilTempF: 84,
  signs: { 'k-loc-full-sun': true, 's-edge-yellow': true, 't-rewet': false, edge: 's-edge-sharp' },
  tests: [{ test: 'chinch-float', sampler: 4, counts: [3, 2, 2] }],
};

void describe('the command line', () => {
  it('diagnoses: a posterior that sums to 1, and a verdict', () => {
    const { posterior, verdict, nextChecks } = answer(['diagnose'], CHINCH) as {
      posterior: { cause: string; p: number }[];
      verdict: string;
      nextChecks: { gainBits: number }[];
    };
    assert.equal(posterior[0]?.cause, 'chinch-bug');
    assert.equal(verdict, 'likely');
    assert.ok(Math.abs(posterior.reduce((sum, { p }) => sum + p, 0) - 1) < 1e-9);
    assert.ok(nextChecks.every(({ gainBits }) => gainBits >= 0));
  });

  it('is stable: the same input gives the same bytes', () => {
    assert.equal(alfombra(['diagnose'], CHINCH).stdout, alfombra(['diagnose'], CHINCH).stdout);
  });

  it('works out amounts from a rate an acre and from the same rate per 1,000 ft²', () => {
    // 16 oz an acre are 0.3673 oz per 1,000 ft² (43.56 thousands in an acre).
    const job = { areaFt2: 10_890, carrierGalPer1000: 1, tankGal: 4 };
    const acre = answer(['amounts'], {
      ...job,
      products: [{ herbicide: 'quinclorac', rate: 16, unit: 'oz/acre' }],
    }) as { products: { total: number }[] };
    const thousand = answer(['amounts'], {
      ...job,
      products: [{ herbicide: 'quinclorac', rate: 16 / 43.56, unit: 'oz/1000' }],
    }) as { products: { total: number }[] };
    assert.ok(Math.abs((acre.products[0]?.total ?? 0) - 4) < 1e-9, 'a quarter acre takes 4 oz');
    assert.ok(Math.abs((thousand.products[0]?.total ?? 0) - 4) < 1e-9);
  });

  it('checks an application against the label', () => {
    const { exceeds, findings } = answer(['check'], {
      application: {
        id: 'one',
        zoneId: 'back',
        date: '2026-04-08',
        areaFt2: 43_560,
        materials: [{ kind: 'herbicide', slug: 'prodiamine', amount: 51, unit: 'oz' }],
      },
      context: {
        stand: [{ species: 'tall-fescue', cover: 0.9 }],
        desired: ['tall-fescue'],
        zoneFt2: 43_560,
      },
    }) as { exceeds: boolean; findings: { rule: string }[] };
    assert.equal(exceeds, true);
    assert.ok(findings.some(({ rule }) => rule === 'rate-over-label'));
  });

  it('tells the schema of every command', () => {
    for (const command of ['diagnose', 'soil', 'season', 'check']) {
      assert.equal(answer(['schema', command], '').type, 'object', command);
    }
    // A mix, or a lawn with a zone of it.
    assert.equal((answer(['schema', 'amounts'], '').anyOf as unknown[]).length, 2);
  });

  it('has the rate card of a zone: every product at its rate, with the amount for the zone', () => {
    const zone = testZone(1, [{ species: 'tall-fescue', cover: 0.95 }]);
    const lawn = {
      today: '2026-05-10',
      region: 'transition',
      zones: [zone],
      weather: testWeather('transition', 7, localDate('2026-05-10')),
    };
    const card = answer(['amounts'], { lawn, zoneId: zone.id }) as {
      areaFt2: number;
      rows: { slug: string; verdict: string; ratePerAcre: number; total: number; rule: string }[];
    };
    const row = (slug: string) => card.rows.find((own) => own.slug === slug)!;
    assert.equal(row('atrazine').verdict, 'never');
    assert.equal(row('threeway-amine').verdict, 'rate');
    assert.ok(
      Math.abs(row('threeway-amine').total - (64 * card.areaFt2) / 43_560) < 1e-9,
      'the whole zone at the rate an acre',
    );
    const season = answer(['season'], { ...lawn, rateCard: true }) as {
      rateCard: { zoneId: string; slug: string; verdict: string }[];
    };
    assert.deepEqual(
      season.rateCard.map(({ slug, verdict }) => [slug, verdict]),
      card.rows.map(({ slug, verdict }) => [slug, verdict]),
    );
    assert.equal(answer(['season'], lawn).rateCard, undefined);
    const { status, stderr } = alfombra(['amounts'], { lawn, zoneId: zone.id.replace(/.$/, '9') });
    assert.deepEqual([status, stderr], [2, 'zoneId: the lawn has no such zone\n']);
  });

  it('plans in needs, jobs and looks; a record by its job closes it; what moved is told with its cause', () => {
    interface Plan {
      needs: { id: string; kind: string; subject: string; state: string }[];
      jobs: {
        id: string;
        needIds: string[];
        by: string;
        offer?: boolean;
        pinned?: boolean;
        findings?: { rule: string; severity: string }[];
        serves: string[];
        kind: string;
        date: string;
        state: string;
        zones: { zoneId: string; areaFt2: number }[];
        materials: { kind: string; slug: string; unit: string; amount: number }[];
      }[];
      looks: { needId: string; date: string }[];
      nitrogen: { targetLbPer1000: number; plannedLbPer1000: number }[];
      moves: { jobId: string; from: string | null; to: string | null; cause: string }[];
    }
    const zones = [1, 2].map((index) =>
      testZone(index, [{ species: 'tall-fescue', cover: 0.95 }], { irrigated: true }),
    );
    const on = (today: string, fields: object = {}) => ({
      today,
      region: 'transition',
      zones,
      findings: zones.map(({ id }) => ({
        zoneId: id,
        weeds: [{ weed: 'dandelion', cover: 0.06, since: '2026-04-01', seenOn: '2026-04-01' }],
      })),
      weather: testWeather('transition', 7, localDate(today)),
      ...fields,
    });
    const first = on('2026-04-10');
    const plan = answer(['season'], first) as unknown as Plan;
    const spray = plan.jobs.find(({ needIds }) =>
      needIds.some((id) => id.startsWith('control:dandelion')),
    )!;
    // One mix at one rate on one day: both zones are one job.
    assert.equal(spray.zones.length, 2);
    assert.ok(plan.nitrogen.every((year) => year.plannedLbPer1000 > 0.8 * year.targetLbPer1000));
    const record = {
      id: 'r1',
      jobId: spray.id,
      date: spray.date,
      zones: spray.zones,
      materials: spray.materials.map(({ kind, slug, unit, amount }) => ({
        kind,
        slug,
        unit,
        amount,
      })),
    };
    const next = on(spray.date, { records: [record], previous: first });
    const after = answer(['season'], next) as unknown as Plan;
    const isDandelion = ({ needIds }: Plan['jobs'][number]) =>
      needIds.some((id) => id.startsWith('control:dandelion'));
    assert.deepEqual(
      after.jobs.filter(isDandelion).map(({ state }) => state),
      ['done', 'done'],
    );
    const need = after.needs.filter(({ subject }) => subject === 'dandelion');
    assert.deepEqual(
      need.map(({ subject, state }) => [subject, state]),
      [
        ['dandelion', 'waiting'],
        ['dandelion', 'waiting'],
      ],
    );
    assert.ok(need.every(({ id }) => after.looks.some(({ needId }) => needId === id)));
    assert.deepEqual(
      after.moves.filter(({ jobId }) => jobId === spray.id),
      [{ jobId: spray.id, from: spray.date, to: null, cause: 'records' }],
    );
    assert.equal(plan.moves, undefined);
    // What was sold, decided, drawn and asked for.
    const sold = answer(['season'], {
      ...first,
      agreement: { services: ['feeding'], doneBy: { feeding: 'customer' } },
    }) as unknown as Plan;
    assert.deepEqual(
      new Set(sold.jobs.map(({ kind, offer, by }) => `${kind === 'feed'} ${!offer} ${by}`)),
      new Set(['true true customer', 'false false us']),
    );
    const [left] = spray.needIds;
    const decided = answer(['season'], {
      ...first,
      decisions: [{ kind: 'not-here', needId: left }],
    }) as unknown as Plan;
    assert.equal(decided.needs.find(({ id }) => id === left)!.state, 'givenUp');
    // Soil is sampled where nobody knows it, and waited for where a bag is on its way.
    const sample = plan.jobs.filter(({ kind }) => kind === 'sample');
    assert.equal(sample.length, 1);
    const { zoneId } = sample[0]!.zones[0]!;
    const bagged = answer(['season'], {
      ...first,
      soilReports: [{ zoneId, date: '2026-04-01' }],
    }) as unknown as Plan;
    assert.equal(bagged.needs.find(({ id }) => sample[0]!.needIds.includes(id))!.state, 'waiting');
    assert.deepEqual(
      bagged.jobs.filter(({ kind }) => kind === 'sample'),
      [],
    );
    const nowhere = alfombra(['season'], {
      ...first,
      soilReports: [{ zoneId: '0190a000-0000-7000-8000-00000000ffff', date: '2026-04-01' }],
    });
    assert.match(nowhere.stderr, /^soilReports\.0\.zoneId: the lawn has no such zone/m);
    // A day that somebody set: kept, and judged; a way that somebody chose, done by a record without materials.
    const day = new Date(Date.parse(spray.date) + 9 * 86_400_000).toISOString().slice(0, 10);
    const set = answer(['season'], {
      ...first,
      decisions: spray.serves.map((work) => ({ kind: 'pin', work, date: day })),
      previous: first,
    }) as unknown as Plan;
    const moved = set.jobs.find(({ id }) => id === spray.id)!;
    assert.deepEqual([moved.date, moved.pinned, moved.zones.length], [day, true, 2]);
    assert.ok(Array.isArray(moved.findings));
    assert.deepEqual(
      set.moves.filter(({ jobId }) => jobId === spray.id).map(({ to, cause }) => [to, cause]),
      [[day, 'decisions']],
    );
    const tooHigh = answer(['season'], {
      ...first,
      decisions: [
        {
          kind: 'pin',
          work: spray.id,
          materials: [{ kind: 'herbicide', slug: 'threeway-amine', ratePerAcre: 900 }],
        },
      ],
    }) as unknown as Plan;
    assert.ok(
      tooHigh.jobs
        .find(({ id }) => id === spray.id)!
        .findings!.some(
          ({ rule, severity }) => rule === 'rate-over-label' && severity === 'exceeds',
        ),
    );
    const byHand = {
      findings: [
        { zoneId: zones[0]!.id, weeds: [{ weed: 'dandelion', cover: 0.02, since: '2026-04-01' }] },
      ],
      decisions: [{ kind: 'course', needId: left, course: 'hand-removal', on: '2026-04-10' }],
    };
    const pull = (answer(['season'], on('2026-04-10', byHand)) as unknown as Plan).jobs.find(
      ({ kind }) => kind === 'pull',
    )!;
    const pulled = {
      id: 'r2',
      jobId: pull.id,
      date: '2026-04-11',
      zones: pull.zones,
      materials: [],
    };
    const done = answer(
      ['season'],
      on('2026-04-12', { ...byHand, records: [pulled] }),
    ) as unknown as Plan;
    assert.equal(done.jobs.find(({ id }) => id === pull.id)!.state, 'done');
    assert.ok(done.looks.some(({ needId }) => needId === left));
    const nothing = alfombra(
      ['season'],
      on('2026-04-12', { records: [{ ...pulled, jobId: undefined }] }),
    );
    assert.match(nothing.stderr, /^records\.0\.materials: name what was put down/m);
    const until = plan.jobs[1]!.date;
    // What comes round every year is told two years ahead.
    const years = plan.jobs
      .filter(({ kind }) => kind === 'prevent')
      .map(({ date }) => date.slice(0, 4));
    assert.ok(new Set(years).size >= 2);
    const short = answer(['season'], { ...first, until }) as unknown as Plan;
    assert.deepEqual(
      short.jobs.map(({ id }) => id),
      plan.jobs.filter(({ date }) => date <= until).map(({ id }) => id),
    );
    const refused = alfombra(['season'], { ...first, agreement: { services: ['singing'] } });
    assert.equal(refused.status, 2);
    assert.match(refused.stderr, /^agreement\.services\.0: /m);
    const refusal = (fields: object) => alfombra(['season'], { ...first, ...fields }).stderr;
    const patch = {
      zoneId: zones[0]!.id,
      plant: { kind: 'weed', weed: 'white-clover' },
      lengthFt: 12,
      widthFt: 8,
      cover: 0.8,
      stage: 'flowering',
      seenOn: '2026-04-09',
    };
    const count = { zoneId: zones[0]!.id, date: '2026-04-09', hits: 20, points: 100 };
    const kinds = (fields: object) =>
      (answer(['season'], { ...first, until, ...fields }) as unknown as Plan).needs.map(({ id }) =>
        id.split(':').slice(0, 2).join(':'),
      );
    assert.ok(kinds({ patches: [patch] }).includes('control:white-clover'));
    const unnamed = { ...patch, plant: { kind: 'category', category: 'sedge' } };
    assert.ok(kinds({ patches: [unnamed] }).includes('find:sedge'));
    // Of two counts the last is read: a stand of a fifth is started over.
    const full = { ...count, date: '2026-04-01', hits: 98 };
    assert.ok(kinds({ counts: [count, full] }).some((kind) => kind.startsWith('renovate:')));
    assert.ok(!kinds({ counts: [full] }).some((kind) => kind.startsWith('renovate:')));
    const town = answer(['season'], {
      ...first,
      rules: { blackout: ['01-01', '12-31'] },
    }) as unknown as Plan;
    assert.deepEqual(
      town.jobs.filter(({ kind }) => kind === 'feed'),
      [],
    );
    const elsewhere = '0190a000-0000-7000-8000-00000000ffff';
    assert.match(
      refusal({ patches: [{ ...patch, zoneId: elsewhere }] }),
      /^patches\.0\.zoneId: the lawn has no such zone/m,
    );
    assert.match(refusal({ counts: [{ ...count, hits: 101 }] }), /^counts\.0\.hits: more hits/m);
    assert.match(refusal({ rules: { blackouts: [] } }), /^rules: Unrecognized key: "blackouts"/m);
    const near = alfombra(['season'], {
      ...first,
      property: [{ zoneId: zones[0]!.id, wellFt: -1 }],
    });
    assert.match(near.stderr, /^property\.0\.wellFt: a distance is 0 or more/m);
  });

  for (const [what, args, input, message] of [
    ['no command', [], '', /^usage: alfombra </],
    ['an unknown command', ['mow'], '{}', /^usage: alfombra </],
    ['nothing on stdin', ['diagnose'], '', /^no JSON on stdin/],
    ['text that is no JSON', ['diagnose'], '{"grass":', /^stdin is not JSON/],
    [
      'cover over 100 %',
      ['diagnose'],
      { ...CHINCH, grass: [{ species: 'st-augustine', cover: 2 }] },
      /^grass\.0\.cover: /m,
    ],
    ['a month that is none', ['diagnose'], { ...CHINCH, month: 13 }, /^month: /m],
    [
      'a rate without a unit',
      ['amounts'],
      { products: [{ herbicide: 'quinclorac', rate: 16 }], areaFt2: 1000, tankGal: 4 },
      /^products\.0\.unit: a rate needs its unit/m,
    ],
    [
      'an ounce where fluid ounces are meant',
      ['amounts'],
      {
        products: [{ herbicide: 'dithiopyr', rate: 16, unit: 'oz/acre' }],
        areaFt2: 1000,
        tankGal: 4,
      },
      /^products\.0\.unit: dithiopyr is measured in fl-oz/m,
    ],
    [
      'a field that nobody reads',
      ['season'],
      { today: '2026-04-10', lawn: 'x' },
      /Unrecognized key: "lawn"/,
    ],
    ['the schema of nothing', ['schema', 'lawn'], '', /^schema of what\?/],
  ] as const) {
    it(`answers 2 to ${what}, and says what is wrong`, () => {
      const { status, stdout, stderr } = alfombra([...args], input);
      assert.equal(status, 2);
      assert.equal(stdout, '');
      assert.match(stderr, message);
    });
  }
});
